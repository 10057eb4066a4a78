import type { Box, Point } from './shape'

/** Area of a simple polygon by the shoelace formula, in square points; never negative. Fewer than three points: 0. */
export function area(points: readonly Point[]): number {
  let twice = 0
  for (let i = 0; i < points.length; i++) {
    const a = points[i]!
    const b = points[(i + 1) % points.length]!
    twice += a.x * b.y - b.x * a.y
  }
  return Math.abs(twice) / 2
}

/**
 * Area of a simple polygon inside a box. The polygon is cut by each edge of the box in turn
 * (Sutherland and Hodgman, "Reentrant polygon clipping", CACM 17, 1974); where a reentrant polygon falls
 * into parts, the parts stay joined by edges without area, so the area is still right.
 * Edges that only touch share no area.
 */
export function areaInside(points: readonly Point[], box: Box): number {
  const [right, foot] = [box.x + box.width, box.y + box.height]
  let rest = points
  if (rest.some(p => p.x < box.x)) rest = cut(rest, p => p.x - box.x)
  if (rest.some(p => p.x > right)) rest = cut(rest, p => right - p.x)
  if (rest.some(p => p.y < box.y)) rest = cut(rest, p => p.y - box.y)
  if (rest.some(p => p.y > foot)) rest = cut(rest, p => foot - p.y)
  return area(rest)
}

/**
 * Area of a simple polygon inside a convex one whose corners go clockwise as seen on the page (y runs downwards); cut
 * by each of its edges as by those of a box.
 */
export function areaWithin(points: readonly Point[], convex: readonly Point[]): number {
  let rest = points
  for (let i = 0; i < convex.length && rest.length > 0; i++) {
    const [a, b] = [convex[i]!, convex[(i + 1) % convex.length]!]
    const [dx, dy] = [b.x - a.x, b.y - a.y]
    const inside = (p: Point) => dx * (p.y - a.y) - dy * (p.x - a.x)
    if (rest.some(p => inside(p) < 0)) rest = cut(rest, inside)
  }
  return area(rest)
}

/** Keeps the part where `inside` is not negative; `inside` is linear in the point. */
function cut(points: readonly Point[], inside: (p: Point) => number): Point[] {
  const kept: Point[] = []
  let a = points.at(-1)
  if (!a) return kept
  let da = inside(a)
  for (const b of points) {
    const db = inside(b)
    if ((da > 0 && db < 0) || (da < 0 && db > 0)) {
      const t = da / (da - db)
      kept.push({ x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) })
    }
    if (db >= 0) kept.push(b)
    a = b
    da = db
  }
  return kept
}

/**
 * Whether a point is in a polygon, by the crossings of a ray to the right (even-odd rule; W. R. Franklin's PNPOLY,
 * from memory). A point on an edge may be either.
 */
export function within(points: readonly Point[], { x, y }: Point): boolean {
  let inside = false
  let a = points.at(-1)
  if (!a) return false
  for (const b of points) {
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside
    a = b
  }
  return inside
}
