import type { Point } from './shape'

/**
 * The head of an arrow whose tip is at `tip` (points): its three corners, and the foot where the line behind it ends.
 * Of an arrow without length it points to the right.
 */
export function arrowHead(
  from: Point,
  tip: Point,
  length: number,
  width: number,
): { readonly corners: readonly [Point, Point, Point]; readonly foot: Point } {
  const far = Math.hypot(tip.x - from.x, tip.y - from.y)
  const [ux, uy] = far > 0 ? [(tip.x - from.x) / far, (tip.y - from.y) / far] : [1, 0]
  const foot = { x: tip.x - length * ux, y: tip.y - length * uy }
  const half = width / 2
  return {
    foot,
    corners: [tip, { x: foot.x - half * uy, y: foot.y + half * ux }, { x: foot.x + half * uy, y: foot.y - half * ux }],
  }
}
