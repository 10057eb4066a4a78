import type { Master, Piece } from '../board/piece'
import type { Gaps, Grid, Pin, Place, Scale } from '../board/place'
import { floating } from '../exact/written'
import { areaInside, within } from '../geometry/area'
import { outlined, overlaps } from '../geometry/outline'
import type { Box, Point, Shape } from '../geometry/shape'
import { turnedAround } from '../geometry/turned'
import { layoutGaps } from '../layout/gaps'
import { bodyOf, type Body } from './body'
import type { Lies } from './lies'

/** How far a label's tip stands out from its box, in points. */
export const TIP_LENGTH = 12
/** A tip up to half as far again from a pin as its radius is perhaps meant for it. */
const PIN_REACH = 1.5
/** A tip up to so many points beside a scale is perhaps meant for it. */
const SCALE_REACH = 6
/** Lengths are floating: a tip so near to an edge, in points, is on it. */
const ON_EDGE = 1e-6

export interface Cell {
  readonly row: number
  readonly column: number
}

/** How much of a piece a place can claim, and where in the place it is. */
export interface Claim {
  /** From 0 to 1. */
  readonly share: number
  /** Of a grid, the cell with the largest share; of a text with gaps the gap is the column of its only row. */
  readonly cell?: Cell
  /** Every cell that has a share in it, in reading order. */
  readonly cells?: readonly { readonly cell: Cell; readonly share: number }[]
  /**
   * Where on a scale, in its own units. A length is measured, so this is a floating number; keys compare it exactly.
   */
  readonly value?: number
}

/**
 * Null when the piece has nothing to do with the place. `lies` is its centre, and how far it is turned; its body need
 * be worked out once only for all places.
 */
export function claim({
  place,
  piece,
  master,
  lies,
  known,
}: {
  readonly place: Place
  readonly piece: Piece
  readonly master: Master
  readonly lies: Lies
  readonly known?: Body | undefined
}): Claim | null {
  const { turn = 0 } = lies
  const centre = { x: lies.x, y: lies.y }
  if (piece.kind === 'label') return claimByTip(place, turnedAround(centre, tipOf(piece.tip, master, centre), turn))
  const body = known ?? bodyOf(piece.kind, master, lies)
  if (!overlaps(outlined(place.shape).box, body.box)) return null
  switch (place.kind) {
    case 'zone':
    case 'lane':
    case 'pan':
      return { share: shareOf(place.shape, body) }
    case 'slot':
      return { share: fitIn(place.shape, body) }
    case 'grid':
      return inCells(cellsNear(place, body.box), body)
    case 'gaps':
      return place.typed ? null : inCells(gapsNear(place, body.box), body)
    case 'scale':
      return { share: shareOfScale(place, centre, body), value: valueAt(place, centre) }
    case 'pin':
    case 'writing':
    case 'drawing':
      return null
  }
}

/** The share of a piece that lies in a shape. A piece without area has no share in anything: 0. */
const shareOf = (shape: Shape, body: Body) => (body.area > 0 ? Math.min(1, body.inside(shape) / body.area) : 0)

/** A slot may be smaller than its piece: then the slot's own area is what must be covered. */
function fitIn(shape: Shape, body: Body): number {
  const least = Math.min(body.area, areaOf(shape))
  return least > 0 ? Math.min(1, body.inside(shape) / least) : 0
}

const areas = new WeakMap<Shape, number>()
function areaOf(shape: Shape): number {
  if (shape.kind === 'rectangle') return shape.width * shape.height
  const known = areas.get(shape) ?? areaInside(outlined(shape).points, outlined(shape).box)
  areas.set(shape, known)
  return known
}

/** Share of a box's area that lies in an outline, from 0 to 1. A box without area has no share in anything: 0. */
export function shareIn(points: readonly Point[], box: Box): number {
  const whole = box.width * box.height
  return whole > 0 ? Math.min(1, areaInside(points, box) / whole) : 0
}

interface Room {
  readonly cell: Cell
  readonly box: Box
}

/** Ties for the largest share go to the earlier row, then the earlier column. */
function inCells(rooms: readonly Room[], body: Body): Claim | null {
  const cells = rooms
    .map(({ cell, box }) => ({ cell, share: fitIn({ kind: 'rectangle', ...box }, body) }))
    .filter(({ share }) => share > 0)
  const best = cells.reduce<(typeof cells)[number] | null>(
    (most, one) => (one.share > (most?.share ?? 0) + SAME ? one : most),
    null,
  )
  return best && { ...best, cells }
}
/** Shares are floating: so small a difference is none. */
const SAME = 1e-9

function cellsNear({ shape, rows, columns }: Grid, box: Box): Room[] {
  const [width, height] = [shape.width / columns, shape.height / rows]
  const range = (from: number, to: number, most: number) => {
    const first = Math.max(0, Math.floor(from))
    return Array.from({ length: Math.max(0, Math.min(most - 1, Math.floor(to)) - first + 1) }, (_, i) => first + i)
  }
  const across = range((box.x - shape.x) / width, (box.x + box.width - shape.x) / width, columns)
  return range((box.y - shape.y) / height, (box.y + box.height - shape.y) / height, rows).flatMap(row =>
    across.map(column => ({
      cell: { row, column },
      box: { x: shape.x + column * width, y: shape.y + row * height, width, height },
    })),
  )
}

const gapsNear = (place: Gaps, box: Box): Room[] =>
  layoutGaps(place).gaps.flatMap((gap, column) => (overlaps(gap, box) ? [{ cell: { row: 0, column }, box: gap }] : []))

/**
 * What stands on a scale stands there with its middle, so half of it may reach beyond an end; across the scale it
 * counts as in a slot.
 */
function shareOfScale({ shape }: Scale, { x, y }: Point, { box }: Body): number {
  const lying = shape.width >= shape.height
  const [at, from, to, size] = lying
    ? [x, shape.x, shape.x + shape.width, box.width]
    : [y, shape.y, shape.y + shape.height, box.height]
  const along = size > 0 ? (Math.min(to, at + size / 2) - Math.max(from, at - size / 2)) / size : 0
  const [start, breadth, room, deep] = lying
    ? [box.y, box.height, shape.y, shape.height]
    : [box.x, box.width, shape.x, shape.width]
  const across = Math.min(start + breadth, room + deep) - Math.max(start, room)
  const least = Math.min(breadth, deep)
  return least > 0 ? Math.max(0, Math.min(1, 2 * along)) * Math.max(0, Math.min(1, across / least)) : 0
}

/**
 * The value under a point, continued beyond the ends. The scale runs along its longer side, upwards where it stands.
 */
function valueAt({ shape, least, most }: Scale, { x, y }: Point): number {
  const [from, to] = [floating(least), floating(most)]
  const along = shape.width >= shape.height ? (x - shape.x) / shape.width : (shape.y + shape.height - y) / shape.height
  return from + along * (to - from)
}

export function tipOf(tip: 'left' | 'right' | 'up' | 'down', { width, height }: Master, { x, y }: Point): Point {
  switch (tip) {
    case 'left':
      return { x: x - width / 2 - TIP_LENGTH, y }
    case 'right':
      return { x: x + width / 2 + TIP_LENGTH, y }
    case 'up':
      return { x, y: y - height / 2 - TIP_LENGTH }
    case 'down':
      return { x, y: y + height / 2 + TIP_LENGTH }
  }
}

/**
 * A label lies where its tip is, edges included: in the cell, at the value, wholly or not at all; near a pin or a scale
 * it may be meant for it.
 */
function claimByTip(place: Place, tip: Point): Claim | null {
  switch (place.kind) {
    case 'pin':
      return claimOfPin(place, tip)
    case 'scale': {
      const beside = distanceTo(place.shape, tip)
      return beside <= SCALE_REACH ? { share: beside <= ON_EDGE ? 1 : 0.5, value: valueAt(place, tip) } : null
    }
    case 'grid': {
      if (distanceTo(place.shape, tip) > ON_EDGE) return null
      const { shape, rows, columns } = place
      const nth = (at: number, size: number, most: number) =>
        Math.min(most - 1, Math.max(0, Math.floor((at / size) * most)))
      const cell = { row: nth(tip.y - shape.y, shape.height, rows), column: nth(tip.x - shape.x, shape.width, columns) }
      return { share: 1, cell, cells: [{ cell, share: 1 }] }
    }
    case 'gaps': {
      const column = place.typed ? -1 : layoutGaps(place).gaps.findIndex(gap => distanceTo(gap, tip) <= ON_EDGE)
      if (column >= 0) return { share: 1, cell: { row: 0, column }, cells: [{ cell: { row: 0, column }, share: 1 }] }
      return isIn(place.shape, tip) ? { share: 1 } : null
    }
    case 'zone':
    case 'lane':
    case 'slot':
    case 'pan':
    case 'writing':
    case 'drawing':
      return isIn(place.shape, tip) ? { share: 1 } : null
  }
}

const isIn = (shape: Shape, tip: Point) =>
  shape.kind === 'rectangle' ? distanceTo(shape, tip) <= ON_EDGE : within(outlined(shape).points, tip)

/** Nought inside a box. */
const distanceTo = (box: Box, { x, y }: Point) =>
  Math.hypot(Math.max(0, box.x - x, x - box.x - box.width), Math.max(0, box.y - y, y - box.y - box.height))

function claimOfPin(pin: Pin, tip: Point): Claim | null {
  const radius = pin.shape.width / 2
  const distance = Math.hypot(tip.x - pin.shape.x - radius, tip.y - pin.shape.y - pin.shape.height / 2)
  if (distance <= radius) return { share: 1 }
  return distance <= PIN_REACH * radius ? { share: 0.5 } : null
}
