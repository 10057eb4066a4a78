import { within } from './area'
import { distanceToSegment } from './line'
import type { Point } from './shape'

type Polygon = readonly Point[]

/** The shortest way from one polygon to another, in points; nought where they touch or overlap. */
export function distanceBetween(a: Polygon, b: Polygon): number {
  if (a.some(p => within(b, p)) || b.some(p => within(a, p)) || crossing(a, b)) return 0
  return Math.min(fromCorners(a, b), fromCorners(b, a))
}

const edges = (polygon: Polygon) => polygon.map((from, i) => [from, polygon[(i + 1) % polygon.length]!] as const)

const fromCorners = (a: Polygon, b: Polygon) =>
  a.reduce(
    (least, p) => edges(b).reduce((near, [from, to]) => Math.min(near, distanceToSegment(p, from, to)), least),
    Infinity,
  )

/** Whether an edge of one crosses an edge of the other. */
function crossing(a: Polygon, b: Polygon): boolean {
  const side = (p: Point, q: Point, r: Point) => Math.sign((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x))
  return edges(a).some(([p, q]) =>
    edges(b).some(([r, s]) => side(p, q, r) * side(p, q, s) < 0 && side(r, s, p) * side(r, s, q) < 0),
  )
}
