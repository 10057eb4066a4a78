import type { PieceId } from '../board/ids'
import type { Lane } from '../board/place'
import { boxAround, overlaps } from '../geometry/outline'
import type { Point, Size } from '../geometry/shape'
import { laneOrder } from './contents'
import { boxesOfOthers, clampToPlace } from './freeSpot'
import { placePieces } from './placement'
import { landingAt, sizeOn, type Landing, type Table } from './table'

/** Points between cards in a lane, and between them and its edge. */
const GAP = 8
const INSET = 12

/** What surely lies in a lane beside this piece, in order. */
export function othersInLane(table: Table, lane: Lane, piece: PieceId): PieceId[] {
  return orderWith(table, lane, piece, null).filter(id => id !== piece)
}

/** At which place of a lane a piece stands, from 0, that lies with its middle there; null where it isn't in it. */
export function placeInLane(table: Table, lane: Lane, piece: PieceId, at: Point): number | null {
  const set = clampToPlace(at, sizeOn(table, piece), lane)
  const index = orderWith(table, lane, piece, set).indexOf(piece)
  return index < 0 ? null : index
}

function orderWith({ state, page, edition }: Table, lane: Lane, piece: PieceId, at: Point | null): PieceId[] {
  const { [piece]: before, ...others } = state.pieces
  const pieces = at ? { ...others, [piece]: { z: 0, ...before, ...at } } : others
  const sizeOf = (id: PieceId) => edition.pieces.get(id)!.master
  return laneOrder(lane, placePieces({ ...state, pieces }, page, edition), sizeOf)
}

/**
 * Given to the nth place of a lane, from 0: between its neighbours where there is room, else all that lies in the lane
 * moves up to make some, in rows where it is deep enough, over each other where it is full.
 */
export function landingInLane(table: Table, lane: Lane, piece: PieceId, index: number): Landing {
  const others = othersInLane(table, lane, piece)
  const free = spotBetween(table, lane, { piece, others, index })
  if (free) return landingAt(table, piece, free)
  const order = others.toSpliced(index, 0, piece)
  const spots = laidIn(
    lane,
    order.map(id => sizeOn(table, id)),
  )
  const moved = new Map(order.flatMap((id, i) => (id === piece ? [] : [[id, spots[i]!] as const])))
  return { ...landingAt(table, piece, spots[index]!), others: moved }
}

/** Where there is room between two that follow each other, beside them; in an empty lane where it begins. */
function spotBetween(
  table: Table,
  lane: Lane,
  { piece, others, index }: { readonly piece: PieceId; readonly others: readonly PieceId[]; readonly index: number },
): Point | null {
  const { state, page, edition } = table
  const [before, after] = [others[index - 1], others[index]]
  const size = sizeOn(table, piece)
  const boxes = boxesOfOthers(state, piece, page, edition)
  const beside = (id: PieceId, way: 1 | -1): Point => {
    const { x, y } = state.pieces[id]!
    const { width, height } = sizeOn(table, id)
    if (lane.direction === 'column') return { x, y: y + way * ((height + size.height) / 2 + GAP) }
    return { x: x + way * (lane.fromRight ? -1 : 1) * ((width + size.width) / 2 + GAP), y }
  }
  const spots = [
    ...(before ? [beside(before, 1)] : []),
    ...(after ? [beside(after, -1)] : []),
    ...(before || after ? [] : laidIn(lane, [size])),
  ]
  return (
    spots.find(spot => {
      const inside = clampToPlace(spot, size, lane)
      const box = boxAround(spot, size)
      return (
        inside.x === spot.x
        && inside.y === spot.y
        && !boxes.some(other => overlaps(other, box))
        && placeInLane(table, lane, piece, spot) === index
      )
    }) ?? null
  )
}

/** The middles of cards of these sizes that stand in a lane in this order. */
function laidIn({ shape, direction, fromRight }: Lane, sizes: readonly Size[]): Point[] {
  const row = direction === 'row'
  const [length, depth] = row ? [shape.width, shape.height] : [shape.height, shape.width]
  const cards = sizes.map(({ width, height }) => (row ? { long: width, deep: height } : { long: height, deep: width }))
  const deepest = Math.max(...cards.map(card => card.deep))
  const most = Math.max(1, Math.floor((depth - GAP) / (deepest + GAP)))
  const lines = linesOf(cards, length - 2 * INSET)
  const rows = lines.length <= most ? lines : shared(cards, most)
  const high = rows.length * (deepest + GAP) - GAP
  return rows.flatMap((line, r) => {
    const across = (depth - high) / 2 + deepest / 2 + r * (deepest + GAP)
    return spaced(line, length - 2 * INSET).map(along => {
      const at = INSET + along
      if (!row) return { x: shape.x + across, y: shape.y + at }
      return { x: fromRight ? shape.x + shape.width - at : shape.x + at, y: shape.y + across }
    })
  })
}

interface Card {
  readonly long: number
  readonly deep: number
}

/** One card after the other, a new row where the next has no room. */
function linesOf(cards: readonly Card[], room: number): Card[][] {
  const lines: Card[][] = [[]]
  let used = 0
  for (const card of cards) {
    if (lines.at(-1)!.length && used + card.long > room + 1e-6) {
      lines.push([])
      used = 0
    }
    lines.at(-1)!.push(card)
    used += card.long + GAP
  }
  return lines
}

/** As many cards in each of so many rows. */
function shared(cards: readonly Card[], rows: number): Card[][] {
  const each = Math.ceil(cards.length / rows)
  return Array.from({ length: Math.ceil(cards.length / each) }, (_, i) => cards.slice(i * each, (i + 1) * each))
}

/** Middles along a row: beside each other, or over each other as evenly as can be where there is no room. */
function spaced(line: readonly Card[], room: number): number[] {
  const whole = line.reduce((sum, card) => sum + card.long, 0)
  const gap = line.length < 2 ? 0 : Math.min(GAP, (room - whole) / (line.length - 1))
  let from = 0
  return line.map(({ long }) => {
    const middle = from + long / 2
    from += long + gap
    return middle
  })
}
