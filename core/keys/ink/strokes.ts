import type { Figure } from '../../board/backdrop'
import type { FigureId } from '../../board/ids'
import { areaInside } from '../../geometry/area'
import { angleBetween, distanceToLine, lineThrough } from '../../geometry/line'
import { bounds, outline } from '../../geometry/outline'
import type { Box, Point } from '../../geometry/shape'
import { diameter } from '../../geometry/symmetry'

/** A line drawn by hand stands for an axis within so many degrees, and so much of the figure's size off its middle. */
const AXIS = { sure: { turn: 6, off: 0.05 }, perhaps: { turn: 12, off: 0.1 } }
/** It must be as long as this share of the figure, and as straight. */
const LONG = 0.4
const STRAIGHT = 0.06
/** The ends of a ring may stay apart by this share of its length. */
const OPEN = 0.3
/** A line starts and ends at a figure when it does so within so many points of it. */
const NEAR = 14

export interface AxisDrawn { readonly certainty: 'sure' | 'perhaps' | 'none', readonly axis: number }
export interface Axes { readonly angles: readonly number[] | 'all', readonly centre: Point }

/** Which axis of a figure a stroke stands for, and how surely. */
export function axisDrawn(stroke: readonly Point[], figure: Figure, { angles, centre }: Axes): AxisDrawn {
  const line = lineThrough(stroke)
  const size = diameter(figure.shape)
  if (!line || line.length < LONG * size || line.stray > STRAIGHT * size) return { certainty: 'none', axis: 0 }
  const axis = angles === 'all'
    ? line.angle
    : angles.toSorted((a, b) => angleBetween(a, line.angle) - angleBetween(b, line.angle))[0]!
  const [turn, off] = [angleBetween(axis, line.angle), distanceToLine(centre, line) / size]
  const within = (limit: { turn: number, off: number }) => turn <= limit.turn && off <= limit.off
  return { certainty: within(AXIS.sure) ? 'sure' : within(AXIS.perhaps) ? 'perhaps' : 'none', axis }
}

/** The figures of which a closed stroke holds most. */
export function ringedBy(stroke: readonly Point[], options: readonly Figure[]): FigureId[] {
  const [first, last] = [stroke[0]!, stroke.at(-1)!]
  const length = stroke.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - stroke[i]!.x, p.y - stroke[i]!.y), 0)
  if (Math.hypot(last.x - first.x, last.y - first.y) > OPEN * length) return []
  return options.filter((option) => {
    const box = boxOf(option)
    return areaInside(stroke, box) >= 0.5 * box.width * box.height
  }).map(option => option.id)
}

/** The figure nearest to a point, of those near enough. */
export function figureAt(point: Point, figures: Iterable<Figure>): FigureId | null {
  let nearest: { id: FigureId, distance: number } | null = null
  for (const figure of figures) {
    const distance = distanceToBox(point, boxOf(figure))
    if (distance <= NEAR && distance < (nearest?.distance ?? Infinity)) nearest = { id: figure.id, distance }
  }
  return nearest?.id ?? null
}

export const boxOf = (figure: Figure): Box => bounds(outline(figure.shape))

/** Nought inside. */
export function distanceToBox({ x, y }: Point, box: Box): number {
  return Math.hypot(Math.max(0, box.x - x, x - box.x - box.width), Math.max(0, box.y - y, y - box.y - box.height))
}
