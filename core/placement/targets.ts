import type { PieceId, PlaceId } from '../board/ids'
import type { Place, Scale } from '../board/place'
import { takes } from '../board/whatPlacesTake'
import { TIP_LENGTH, type Cell } from '../bodies/claim'
import { floating } from '../exact/written'
import { boxAround, outlined, overlaps } from '../geometry/outline'
import type { Point } from '../geometry/shape'
import { snapped } from './snap'
import { boxesOfOthers, clampPiece, clampToPlace, freeSpot, middlesOf, tipAt } from './freeSpot'
import { inRegion } from './landing'
import { landingInLane, othersInLane, placeInLane } from './lane'
import { regionsOf } from './regions'
import { regionSpot } from './regionSpot'
import { landingAt, sizeOn, turnOn, type Landing, type Table } from './table'

/**
 * Where a piece can be given without pointing: into all of these zones at once, or one place; where that has cells or
 * gaps into one of them, on a scale at a value. Without places it is the ledge, or the page outside of them all.
 */
export interface Target {
  readonly places: readonly PlaceId[]
  /** Of a text with gaps the gap is the column of its only row. */
  readonly cell?: Cell
  /** In the units of the scale, a floating number as it is measured. */
  readonly value?: number
  /** Of a lane: before which of the others there, from 0; as many as there are is after the last. */
  readonly nth?: number
  readonly outside?: true
}
export const LEDGE: Target = { places: [] }
export const OUTSIDE: Target = { places: [], outside: true }

export const sameTarget = (a: Target, b: Target): boolean =>
  a.places.join() === b.places.join()
  && a.outside === b.outside
  && a.value === b.value
  && a.nth === b.nth
  && a.cell?.row === b.cell?.row
  && a.cell?.column === b.cell?.column

/**
 * All targets of a piece: places that take it, their cells, gaps and steps, and the regions between rings, from left to
 * right and from top to bottom; then the page outside of them, and the ledge last.
 */
export function targetsOf(table: Table, piece: PieceId): Target[] {
  const { page, edition } = table
  const { piece: held } = edition.pieces.get(piece)!
  const regions = held.kind === 'label' ? [] : regionsOf(page)
  const divided = new Set(regions.flatMap(region => region.zones))
  const alone = page.places.filter(place => takes(place, held) && !divided.has(place.id))
  const all = [
    ...alone.map(place => ({ targets: within(place, table, piece), x: boxOf(place).x, y: boxOf(place).y })),
    ...regions.map(({ zones, middle, top }) => ({ targets: [{ places: zones }], x: middle.x, y: top })),
  ]
  all.sort((a, b) => (Math.abs(a.y - b.y) > SAME_ROW ? a.y - b.y : a.x - b.x))
  return [...all.flatMap(one => one.targets), OUTSIDE, LEDGE]
}
/** Tops this near to each other stand in one row. */
const SAME_ROW = 40
const boxOf = (place: Place) => outlined(place.shape).box

/**
 * What can be aimed at in a place: its cells in reading order, its gaps, the steps of a scale upwards, before and after
 * each card of a lane, or itself.
 */
function within(place: Place, table: Table, piece: PieceId): Target[] {
  const places = [place.id]
  switch (place.kind) {
    case 'grid':
      return Array.from({ length: place.rows * place.columns }, (_, i) => ({
        places,
        cell: { row: Math.floor(i / place.columns), column: i % place.columns },
      }))
    case 'gaps':
      return middlesOf(place).map((_, column) => ({ places, cell: { row: 0, column } }))
    case 'scale':
      return stepsOf(place).map(value => ({ places, value }))
    case 'lane':
      return Array.from({ length: othersInLane(table, place, piece).length + 1 }, (_, nth) => ({ places, nth }))
    case 'zone':
    case 'slot':
    case 'pan':
    case 'pin':
    case 'writing':
    case 'drawing':
      return [{ places }]
  }
}

/** Where a piece is that lies in a lane; what lies elsewhere has no target of its own. */
export function targetAt(table: Table, piece: PieceId): Target | null {
  const at = table.state.pieces[piece]
  if (!at) return null
  for (const place of table.page.places) {
    if (place.kind !== 'lane' || !landingAt(table, piece, at).shares.some(share => share.place === place.id)) continue
    const nth = placeInLane(table, place, piece, at)
    if (nth !== null) return { places: [place.id], nth }
  }
  return null
}

const MOST_AIMED_AT = 400
/** A scale without steps is gone along in so many parts. */
const PARTS = 10
/** Between two steps a piece is moved by so many parts of one. */
const FINE = 10

const spanOf = ({ least, most }: Scale) => floating(most) - floating(least)
function stepOf(scale: Scale): number {
  const step = scale.step === null ? 0 : floating(scale.step)
  return step > 0 && spanOf(scale) / step <= MOST_AIMED_AT ? step : spanOf(scale) / PARTS
}
const stepsOf = (scale: Scale): number[] =>
  Array.from({ length: Math.floor(spanOf(scale) / stepOf(scale) + 1e-9) + 1 }, (_, i) =>
    tidied(floating(scale.least) + i * stepOf(scale)),
  )
/** Sums of floating steps, without the dust of adding. */
const tidied = (value: number) => Number(value.toPrecision(12))

/**
 * The target that an arrow leads to: across a grid from cell to cell, up and down from row to row, along a scale from
 * step to step; beyond its edge, or across a scale, to the next place that way. From the last to the first.
 */
export function nextTarget(table: Table, piece: PieceId, from: Target | null, arrow: Point): Target {
  const all = targetsOf(table, piece)
  const forwards = arrow.x + arrow.y > 0 ? 1 : -1
  const lane = table.page.places.find(({ id }) => id === from?.places[0] && from.places.length === 1)
  const way = lane?.kind === 'lane' && lane.fromRight && arrow.x !== 0 ? -forwards : forwards
  const wrapped = (index: number) => all[(index + all.length) % all.length]!
  if (!from) return wrapped(way > 0 ? 0 : -1)
  const place = table.page.places.find(({ id }) => id === from.places[0])
  const at = all.findIndex(one => sameTarget(one, nearestStep(from, place)))
  /** The first target that isn't of this place any more. */
  const beyond = () => {
    let index = at + way
    while (all[index] && all[index]!.places.join() === from.places.join()) index += way
    return wrapped(index)
  }
  if (from.cell && arrow.y !== 0) {
    const cell = { ...from.cell, row: from.cell.row + arrow.y }
    return all.find(one => sameTarget(one, { ...from, cell })) ?? beyond()
  }
  if (place?.kind === 'lane') {
    const along = place.direction === 'row' ? arrow.x : arrow.y
    const next = all[at + way]
    return along !== 0 && next?.places.join() === from.places.join() ? next : beyond()
  }
  if (place?.kind === 'scale') {
    const along = isLying(place) ? arrow.x : -arrow.y
    if (along === 0) return beyond()
    const next = all[at + along]
    return next?.places.join() === from.places.join() ? next : beyond()
  }
  return wrapped(at + way)
}

const isLying = ({ shape }: Scale) => shape.width >= shape.height
function nearestStep(target: Target, place: Place | undefined): Target {
  if (place?.kind !== 'scale' || target.value === undefined) return target
  const steps = stepsOf(place)
  const far = (value: number) => Math.abs(value - target.value!)
  return { ...target, value: steps.reduce((best, value) => (far(value) < far(best) ? value : best)) }
}

/** A little further along a scale, a tenth of a step, not beyond its ends; null where the arrow leads across it. */
export function finerTarget({ page }: Table, from: Target, arrow: Point): Target | null {
  const place = page.places.find(({ id }) => id === from.places[0])
  if (place?.kind !== 'scale' || from.value === undefined) return null
  const along = isLying(place) ? arrow.x : -arrow.y
  if (along === 0) return null
  const value = tidied(from.value + (along * stepOf(place)) / FINE)
  return { ...from, value: Math.min(floating(place.most), Math.max(floating(place.least), value)) }
}

/** Where the piece is laid that is given to a target; null for the ledge. */
export function landingIn(table: Table, piece: PieceId, target: Target): Landing | null {
  const { state, page, edition } = table
  if (target.outside) return landingAt(table, piece, outsideSpot(table, piece))
  const place = page.places.find(({ id }) => id === target.places[0])
  if (!place) return null
  if (place.kind === 'lane') return landingInLane(table, place, piece, target.nth ?? 0)
  const aimed = spotIn(place, target)
  // A cover lies on whole cells, however many it is large.
  const spot =
    aimed && edition.pieces.get(piece)!.piece.kind === 'cover'
      ? snapped({ state, piece, centre: aimed, page, edition })
      : aimed
  if (spot) return landingAt(table, piece, set(table, piece, place, spot))
  const region =
    place.kind === 'zone' && inRegion(page, place)
      ? regionSpot({ state, piece, homes: target.places, page, edition })
      : null
  return landingAt(table, piece, region ?? freeSpot({ state, piece, place, page, edition }))
}

/** The middle of what is aimed at in a place; null where that is the place itself. */
function spotIn(place: Place, { cell, value }: Target): Point | null {
  if (cell && (place.kind === 'grid' || place.kind === 'gaps'))
    return middlesOf(place)[place.kind === 'grid' ? cell.row * place.columns + cell.column : cell.column] ?? null
  if (value === undefined || place.kind !== 'scale') return null
  const along = (value - floating(place.least)) / spanOf(place)
  const { x, y, width, height } = place.shape
  return isLying(place)
    ? { x: x + along * width, y: y + height / 2 }
    : { x: x + width / 2, y: y + height - along * height }
}

/** A label points at the spot with its tip; anything else lies on it with its middle. */
function set(table: Table, piece: PieceId, place: Place, spot: Point): Point {
  const { piece: held, master } = table.edition.pieces.get(piece)!
  if (held.kind === 'label') return tipAt(held.tip, master, turnOn(table, piece), spot)
  if (place.kind !== 'scale') return spot
  const inside = clampToPlace(spot, sizeOn(table, piece), place)
  return isLying(place) ? { x: spot.x, y: inside.y } : { x: inside.x, y: spot.y }
}

const STEP = 12
/** The first spot, from the foot of the page up, that no place reaches; clear of other pieces where that can be. */
function outsideSpot(table: Table, piece: PieceId): Point {
  const { state, page, edition } = table
  const size = sizeOn(table, piece)
  // A label's tip stands out of its box, and is where it lies.
  const around = edition.pieces.get(piece)!.piece.kind === 'label' ? 2 * TIP_LENGTH : 0
  const reach = { width: size.width + around, height: size.height + around }
  const places = page.places.map(boxOf)
  const others = boxesOfOthers(state, piece, page, edition)
  let crowded: Point | null = null
  for (let y = page.height - size.height / 2; y >= size.height / 2; y -= STEP)
    for (let x = size.width / 2; x + size.width / 2 <= page.width; x += STEP) {
      if (places.some(place => overlaps(place, boxAround({ x, y }, reach)))) continue
      const box = boxAround({ x, y }, size)
      if (!others.some(other => overlaps(other, box))) return { x, y }
      crowded ??= { x, y }
    }
  return crowded ?? clampPiece({ x: page.width, y: page.height }, size, page)
}

/**
 * A value of a scale as its numbers are written: in the fractions of its step where that has them, else as a decimal,
 * to a tenth of a step.
 */
export function scaleValueText(scale: Scale, value: number): string {
  const fine = stepOf(scale) / FINE
  const near = floating(scale.least) + Math.round((value - floating(scale.least)) / fine) * fine
  const parts = Math.max(...[scale.least, scale.step ?? ''].map(text => Number(/\/\s*(\d+)/.exec(text)?.[1] ?? 1)))
  const counted = Math.round(near * parts)
  if (parts === 1 || Math.abs(counted / parts - near) > 1e-6) return String(Number(near.toFixed(4)))
  const [whole, over] = [Math.trunc(counted / parts), Math.abs(counted % parts)]
  if (over === 0) return String(whole)
  const by = greatestDivisor(over, parts)
  const sign = counted < 0 && whole === 0 ? '-' : ''
  return `${sign}${whole ? `${whole} ` : ''}${over / by}/${parts / by}`
}
const greatestDivisor = (a: number, b: number): number => (b === 0 ? a : greatestDivisor(b, a % b))
