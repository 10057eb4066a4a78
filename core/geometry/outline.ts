import type { Box, Point, Shape, Size } from './shape'

const ELLIPSE_SIDES = 128

/**
 * The outline of a shape as a polygon. An ellipse becomes 128 sides with the ellipse's own area (exact to rounding).
 */
export function outline(shape: Shape): Point[] {
  switch (shape.kind) {
    case 'rectangle':
      return corners(shape)
    case 'ellipse':
      return ellipse(shape)
    case 'polygon':
      return shape.points
  }
}

const outlines = new WeakMap<Shape, { readonly points: readonly Point[]; readonly box: Box }>()

/** The outline and the box around it, worked out once for each shape: documents are never changed, only replaced. */
export function outlined(shape: Shape): { readonly points: readonly Point[]; readonly box: Box } {
  const before = outlines.get(shape)
  if (before) return before
  const points = outline(shape)
  const found = { points, box: bounds(points) }
  outlines.set(shape, found)
  return found
}

export function corners({ x, y, width, height }: Box): Point[] {
  return [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ]
}

/** The box of this size around a centre. */
export function boxAround(centre: Point, { width, height }: Size): Box {
  return { x: centre.x - width / 2, y: centre.y - height / 2, width, height }
}

export function bounds(points: readonly Point[]): Box {
  const xs = points.map(p => p.x)
  const ys = points.map(p => p.y)
  const x = Math.min(...xs)
  const y = Math.min(...ys)
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y }
}

/**
 * The box around a place, or around anything else that has a shape. Of an ellipse it is its own: the outline of many
 * sides reaches a little beyond.
 */
export function boxOf({ shape }: { readonly shape: Shape }): Box {
  if (shape.kind === 'polygon') return outlined(shape).box
  const { x, y, width, height } = shape
  return { x, y, width, height }
}

/** Where the line from a box's middle to a point leaves the box; the point itself where it lies inside. */
export function rimTowards(centre: Point, { width, height }: Size, towards: Point): Point {
  const [dx, dy] = [towards.x - centre.x, towards.y - centre.y]
  const share = Math.min(
    1,
    Math.min(width / 2 / Math.max(Math.abs(dx), 1e-6), height / 2 / Math.max(Math.abs(dy), 1e-6)),
  )
  return { x: centre.x + dx * share, y: centre.y + dy * share }
}

/** The shape stretched into a box. What has no width stays without one, rather than dividing by nothing. */
export function stretched(shape: Shape, box: Box): Shape {
  if (shape.kind !== 'polygon') return { ...shape, ...box }
  const old = bounds(shape.points)
  const along = (at: number, from: number, size: number) => (size > 0 ? (at - from) / size : 0)
  return {
    kind: 'polygon',
    points: shape.points.map(p => ({
      x: box.x + along(p.x, old.x, old.width) * box.width,
      y: box.y + along(p.y, old.y, old.height) * box.height,
    })),
  }
}

export function overlaps(a: Box, b: Box): boolean {
  return a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height
}

/**
 * An inscribed regular polygon has the area (n/2π)·sin(2π/n) of its circle, so the radii are stretched by the root of
 * the inverse.
 */
function ellipse({ x, y, width, height }: Box): Point[] {
  const turn = (2 * Math.PI) / ELLIPSE_SIDES
  const stretch = Math.sqrt(turn / Math.sin(turn))
  return Array.from({ length: ELLIPSE_SIDES }, (_, i) => ({
    x: x + (width / 2) * (1 + stretch * Math.cos(i * turn)),
    y: y + (height / 2) * (1 + stretch * Math.sin(i * turn)),
  }))
}
