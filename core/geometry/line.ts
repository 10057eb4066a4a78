import type { Point } from './shape'

/** The line that fits points best, with how far they stray from it and how long it is between the outermost. */
export interface StraightLine {
  readonly through: Point
  readonly angle: number
  readonly stray: number
  readonly length: number
}

/**
 * Total least squares: the line through the mean along which the points vary most (K. Pearson, "On lines and planes of
 * closest fit", Philosophical Magazine 2, 1901). `stray` is the root mean square distance from it. Null for fewer than
 * two different points.
 */
export function lineThrough(points: readonly Point[]): StraightLine | null {
  const n = points.length
  if (n < 2) return null
  const mean = { x: points.reduce((s, p) => s + p.x, 0) / n, y: points.reduce((s, p) => s + p.y, 0) / n }
  let [xx, xy, yy] = [0, 0, 0]
  for (const p of points) {
    const [dx, dy] = [p.x - mean.x, p.y - mean.y]
    xx += dx * dx
    xy += dx * dy
    yy += dy * dy
  }
  if (xx + yy < 1e-9) return null
  const turn = Math.atan2(2 * xy, xx - yy) / 2
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  const along = points.map(p => (p.x - mean.x) * cos + (p.y - mean.y) * sin)
  const least = Math.max(0, (xx + yy - Math.hypot(xx - yy, 2 * xy)) / 2)
  return {
    through: mean,
    angle: angleOf(cos, sin),
    stray: Math.sqrt(least / n),
    length: Math.max(...along) - Math.min(...along),
  }
}

export function distanceToLine(p: Point, { through, angle }: Pick<StraightLine, 'through' | 'angle'>): number {
  const turn = (angle * Math.PI) / 180
  return Math.abs((p.x - through.x) * Math.sin(turn) - (p.y - through.y) * Math.cos(turn))
}

/** Points at equal steps along a stroke, so that a slow part doesn't count more than a quick one. A dot: the dot. */
export function evenly(points: readonly Point[], steps = 48): Point[] {
  const lengths = points.map((p, i) => (i === 0 ? 0 : Math.hypot(p.x - points[i - 1]!.x, p.y - points[i - 1]!.y)))
  const whole = lengths.reduce((a, b) => a + b, 0)
  if (whole === 0) return points.slice(0, 1)
  const result: Point[] = []
  let [i, passed] = [1, 0]
  for (let step = 0; step <= steps; step++) {
    const at = (whole * step) / steps
    while (i < points.length - 1 && passed + lengths[i]! < at) passed += lengths[i++]!
    const share = lengths[i]! === 0 ? 0 : Math.min(1, (at - passed) / lengths[i]!)
    const [a, b] = [points[i - 1]!, points[i]!]
    result.push({ x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y) })
  }
  return result
}

/** From 0 up to 180: a line has no front and no back. */
export function angleOf(dx: number, dy: number): number {
  const angle = (Math.atan2(dy, dx) * 180) / Math.PI
  return ((angle % 180) + 180) % 180
}

/** Between two lines, from 0 to 90. */
export function angleBetween(a: number, b: number): number {
  const off = Math.abs(a - b) % 180
  return Math.min(off, 180 - off)
}

/** From a point to the nearest point of a stretch of line; one of no length is a point. */
export function distanceToSegment(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const length = dx * dx + dy * dy
  const t = length === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length))
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy)
}
