import type { Point } from '~~/core/geometry/shape'

const round = (n: number) => Math.round(n * 10) / 10

/** Where on its page something drawn there was met, in page points. */
export const pagePoint = ({ clientX: x, clientY: y, currentTarget }: MouseEvent): Point =>
  pagePointAt({ x, y }, currentTarget as SVGGraphicsElement)
export function pagePointAt(client: Point, on: SVGGraphicsElement): Point {
  const { x, y } = new DOMPoint(client.x, client.y).matrixTransform(on.getScreenCTM()!.inverse())
  return { x: round(x), y: round(y) }
}
