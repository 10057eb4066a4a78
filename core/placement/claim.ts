import type { Master, Piece } from '../board/piece'
import type { Gaps, Grid, Pin, Place, Scale } from '../board/place'
import { floating } from '../exact/written'
import { area, areaInside } from '../geometry/area'
import { ellipseInside } from '../geometry/ellipse'
import { bounds, boxAround, corners, outline, outlined, overlaps } from '../geometry/outline'
import type { Box, Point, Shape } from '../geometry/shape'
import { common } from '../geometry/union'
import { layoutGaps } from '../layout/gaps'

/** How far a label's tip stands out from its box, in points. */
export const TIP_LENGTH = 12
/** A tip up to half as far again from a pin as its radius is perhaps meant for it. */
const PIN_REACH = 1.5

/** How much of a piece a place can claim, and where in the place it is. */
export interface Claim {
  /** From 0 to 1. */
  readonly share: number
  /** Of a grid; of a text with gaps the gap is the column of its only row. */
  readonly cell?: { readonly row: number, readonly column: number }
  /** Where on a scale, in its own units. A length is measured, so this is a floating number; keys compare it exactly. */
  readonly value?: number
}

/** Null when the piece has nothing to do with the place. `lies` is its centre, and how far it is turned. */
export function claim(place: Place, piece: Piece, master: Master, lies: Point & { readonly turn?: number | undefined }): Claim | null {
  const { turn = 0 } = lies
  const centre = { x: lies.x, y: lies.y }
  if (piece.kind === 'label') return claimByTip(place, turnedAround(centre, tipOf(piece.tip, master, centre), turn))
  const box = boxAround(centre, turn % 180 === 90 ? { width: master.height, height: master.width } : master)
  const { points, box: room } = outlined(place.shape)
  if (turn % 90 !== 0) return overlaps(room, boxAround(centre, reach(master))) ? claimTurned(place, points, boxAround(centre, master), turn) : null
  if (!overlaps(room, box)) return null
  switch (place.kind) {
    case 'zone': case 'lane': case 'pan': return { share: shareOf(place.shape, points, box) }
    case 'slot': return { share: fitIn(points, box) }
    case 'grid': return bestCell(place, box)
    case 'gaps': return bestGap(place, box)
    case 'scale': return { share: shareOf(place.shape, points, box), value: valueAt(place, centre) }
    case 'pin': case 'writing': case 'drawing': return null
  }
}

/** As `shareIn`; of a rectangle or an ellipse without cutting anything. */
function shareOf(shape: Shape, points: readonly Point[], box: Box): number {
  const whole = box.width * box.height
  if (shape.kind === 'polygon' || whole <= 0) return shareIn(points, box)
  if (shape.kind === 'ellipse') return Math.min(1, ellipseInside(shape, box) / whole)
  const part = common(shape, box)
  return part ? Math.min(1, part.width * part.height / whole) : 0
}

/**
 * A piece that lies aslant: instead of turning the piece, everything else is turned the other way round its middle, so
 * that the share is as exact as for one that lies straight. Cells and gaps take such a piece by the box around it.
 */
function claimTurned(place: Place, points: readonly Point[], box: Box, turn: number): Claim | null {
  const centre = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  const turned = points.map(p => turnedAround(centre, p, -turn))
  switch (place.kind) {
    case 'zone': case 'lane': case 'pan': return { share: shareIn(turned, box) }
    case 'slot': return { share: fitIn(turned, box, area(points)) }
    case 'scale': return { share: shareIn(turned, box), value: valueAt(place, centre) }
    case 'grid': return bestCell(place, box)
    case 'gaps': return bestGap(place, box)
    case 'pin': case 'writing': case 'drawing': return null
  }
}

/** However it is turned, a piece stays in this square around its centre. */
const reach = ({ width, height }: Master) => ({ width: Math.hypot(width, height), height: Math.hypot(width, height) })

/** The point turned clockwise (y runs downwards) round a centre, in degrees. */
export function turnedAround(centre: Point, { x, y }: Point, degrees: number): Point {
  if (degrees === 0) return { x, y }
  const [cos, sin] = [Math.cos(degrees * Math.PI / 180), Math.sin(degrees * Math.PI / 180)]
  const [dx, dy] = [x - centre.x, y - centre.y]
  return { x: centre.x + dx * cos - dy * sin, y: centre.y + dx * sin + dy * cos }
}

/** Share of a box's area that lies in an outline, from 0 to 1. A box without area has no share in anything: 0. */
export function shareIn(points: readonly Point[], box: Box): number {
  const whole = box.width * box.height
  return whole > 0 ? Math.min(1, areaInside(points, box) / whole) : 0
}

/** A slot may be smaller than its piece: then the slot's own area is what must be covered. */
function fitIn(points: readonly Point[], box: Box, slot = areaInside(points, bounds(points))): number {
  const least = Math.min(box.width * box.height, slot)
  return least > 0 ? Math.min(1, areaInside(points, box) / least) : 0
}

/** The cell that holds most of the piece; ties go to the earlier row, then the earlier column. */
function bestCell(grid: Grid, box: Box): Claim | null {
  const { shape } = grid
  const [width, height] = [shape.width / grid.columns, shape.height / grid.rows]
  const range = (from: number, to: number, most: number) => [Math.max(0, Math.floor(from)), Math.min(most - 1, Math.floor(to))] as const
  const [top, foot] = range((box.y - shape.y) / height, (box.y + box.height - shape.y) / height, grid.rows)
  const [left, right] = range((box.x - shape.x) / width, (box.x + box.width - shape.x) / width, grid.columns)
  let best: Claim | null = null
  for (let row = top; row <= foot; row++) {
    for (let column = left; column <= right; column++) {
      const share = fitIn(outline({ kind: 'rectangle', x: shape.x + column * width, y: shape.y + row * height, width, height }), box)
      if (share > (best?.share ?? 0)) best = { share, cell: { row, column } }
    }
  }
  return best
}

/** The gap that holds most of the piece; ties go to the earlier. Typed gaps take no pieces. */
function bestGap(place: Gaps, box: Box): Claim | null {
  let best: Claim | null = null
  if (place.typed) return best
  for (const [column, gap] of layoutGaps(place).gaps.entries()) {
    const share = overlaps(gap, box) ? fitIn(corners(gap), box) : 0
    if (share > (best?.share ?? 0)) best = { share, cell: { row: 0, column } }
  }
  return best
}

/** The value under a point, continued beyond the ends. The scale runs along its longer side, upwards where it stands. */
export function valueAt({ shape, least, most }: Scale, { x, y }: Point): number {
  const [from, to] = [floating(least), floating(most)]
  const along = shape.width >= shape.height ? (x - shape.x) / shape.width : (shape.y + shape.height - y) / shape.height
  return from + along * (to - from)
}

export function tipOf(tip: 'left' | 'right' | 'up' | 'down', { width, height }: Master, { x, y }: Point): Point {
  switch (tip) {
    case 'left': return { x: x - width / 2 - TIP_LENGTH, y }
    case 'right': return { x: x + width / 2 + TIP_LENGTH, y }
    case 'up': return { x, y: y - height / 2 - TIP_LENGTH }
    case 'down': return { x, y: y + height / 2 + TIP_LENGTH }
  }
}

/** A label lies where its tip is, wholly or not at all; near a pin it may be meant for it. */
function claimByTip(place: Place, tip: Point): Claim | null {
  if (place.kind === 'pin') return claimOfPin(place, tip)
  const point: Box = { x: tip.x - 0.01, y: tip.y - 0.01, width: 0.02, height: 0.02 }
  return shareIn(outline(place.shape), point) > 0.5 ? { share: 1 } : null
}

function claimOfPin(pin: Pin, tip: Point): Claim | null {
  const radius = pin.shape.width / 2
  const distance = Math.hypot(tip.x - pin.shape.x - radius, tip.y - pin.shape.y - pin.shape.height / 2)
  if (distance <= radius) return { share: 1 }
  return distance <= PIN_REACH * radius ? { share: 0.5 } : null
}
