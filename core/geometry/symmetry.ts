import { area } from './area'
import { angleBetween, angleOf, distanceToSegment } from './line'
import { bounds, outline } from './outline'
import type { Point, Shape } from './shape'

/**
 * Lines of symmetry through `centre`, as angles in degrees from 0 up to 180, clockwise from the right; *all*: a circle.
 */
export interface Axes {
  readonly centre: Point
  readonly angles: readonly number[] | 'all'
}

/**
 * Each point of a mirrored outline may lie off the outline by this share of the shape's size: outlines are drawn by
 * hand.
 */
const TOLERANCE = 0.02
const ROUND = 0.005

/**
 * The lines of symmetry of a shape. An ellipse has two, a circle has all lines through its middle. Of a polygon every
 * line is tried that joins its centroid with a corner or with the middle of an edge: an axis goes through one of those.
 * None: [].
 */
export function axesOf(shape: Shape): Axes {
  if (shape.kind === 'ellipse') {
    const centre = { x: shape.x + shape.width / 2, y: shape.y + shape.height / 2 }
    const round = Math.abs(shape.width - shape.height) <= ROUND * Math.max(shape.width, shape.height)
    return { centre, angles: round ? 'all' : [0, 90] }
  }
  const points = outline(shape)
  const centre = centroid(points)
  const size = diameter(shape)
  const candidates = points.flatMap((a, i) => {
    const b = points[(i + 1) % points.length]!
    return [a, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }]
  })
  const angles: number[] = []
  for (const p of candidates) {
    if (Math.hypot(p.x - centre.x, p.y - centre.y) < TOLERANCE * size) continue
    const angle = angleOf(p.x - centre.x, p.y - centre.y)
    const known = angles.some(other => angleBetween(other, angle) < 1)
    if (!known && points.every(q => distanceToOutline(mirrored(q, centre, angle), points) <= TOLERANCE * size))
      angles.push(angle)
  }
  return { centre, angles: angles.toSorted((a, b) => a - b) }
}

/** The diagonal of the box around a shape: what lengths on it are compared with. */
export function diameter(shape: Shape): number {
  const { width, height } = bounds(outline(shape))
  return Math.hypot(width, height)
}

/** The centre of area of a simple polygon (the shoelace sums). Where it has no area: the mean of its corners. */
export function centroid(points: readonly Point[]): Point {
  let [twice, x, y] = [0, 0, 0]
  points.forEach((a, i) => {
    const b = points[(i + 1) % points.length]!
    const cross = a.x * b.y - b.x * a.y
    twice += cross
    x += (a.x + b.x) * cross
    y += (a.y + b.y) * cross
  })
  if (area(points) < 1e-9)
    return {
      x: points.reduce((s, p) => s + p.x, 0) / points.length,
      y: points.reduce((s, p) => s + p.y, 0) / points.length,
    }
  return { x: x / (3 * twice), y: y / (3 * twice) }
}

function mirrored(p: Point, centre: Point, angle: number): Point {
  const twice = (2 * angle * Math.PI) / 180
  const [dx, dy] = [p.x - centre.x, p.y - centre.y]
  return {
    x: centre.x + dx * Math.cos(twice) + dy * Math.sin(twice),
    y: centre.y + dx * Math.sin(twice) - dy * Math.cos(twice),
  }
}

function distanceToOutline(p: Point, points: readonly Point[]): number {
  return Math.min(...points.map((a, i) => distanceToSegment(p, a, points[(i + 1) % points.length]!)))
}
