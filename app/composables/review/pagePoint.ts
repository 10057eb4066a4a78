import type { Point } from '~~/core/geometry/shape'

const round = (n: number) => Math.round(n * 10) / 10

/** Where on its page something drawn there was met, in page points. */
export function pagePoint(event: MouseEvent, on = event.currentTarget as SVGGraphicsElement): Point {
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(on.getScreenCTM()!.inverse())
  return { x: round(x), y: round(y) }
}
