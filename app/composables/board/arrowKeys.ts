import type { Point } from '~~/core/geometry/shape'

/** Which way an arrow key leads. */
export const ARROW_KEYS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
}
