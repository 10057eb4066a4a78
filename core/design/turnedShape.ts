import { boxOf, outline } from '../geometry/outline'
import type { Shape } from '../geometry/shape'
import { turnedAround } from '../geometry/turned'

/** Degrees of a quarter of a turn. */
export const QUARTER = 90

/** Whole quarters of a turn, from 0 to 3; 0 for what is none. */
export function quartersIn(degrees: number): number {
  const quarters = (((degrees / QUARTER) % 4) + 4) % 4
  return Number.isInteger(quarters) ? quarters : 0
}

/** Clockwise round its own middle. A rectangle or an ellipse that lies aslant becomes a free outline. */
export function turnedShape(shape: Shape, degrees: number): Shape {
  const { x, y, width, height } = boxOf({ shape })
  const middle = { x: x + width / 2, y: y + height / 2 }
  if (shape.kind === 'polygon')
    return { kind: 'polygon', points: shape.points.map(p => turnedAround(middle, p, degrees)) }
  const quarters = (((degrees / QUARTER) % 4) + 4) % 4
  if (quarters === 0 || quarters === 2 || (shape.kind === 'ellipse' && width === height)) return shape
  if (quarters === 1 || quarters === 3)
    return { kind: shape.kind, x: middle.x - height / 2, y: middle.y - width / 2, width: height, height: width }
  return { kind: 'polygon', points: outline(shape).map(p => turnedAround(middle, p, degrees)) }
}
