import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import { boxOf } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import type { Homes } from './homes'

/** A piece where some of a class put it: its size says how many. */
export interface Pile extends Box {
  readonly piece: PieceId
  readonly place: PlaceId
  readonly count: number
  /** Of the piece's own size. */
  readonly scale: number
}

/** Smaller piles of a place than these aren't drawn: the table has them. */
const MOST_IN_PLACE = 12
const GAP = 3
/** So far do a pile's number and the cards behind it reach above it and to its right, in points of the piece. */
const REACH = 15
const STEPS = 24
/** Of its own size the largest pile is at most so large. */
const LARGEST = 2.5

/**
 * Where a class put its pieces, drawn over a page of the board: in each place a pile for each piece that somebody put
 * there, the largest first, in rows. The area of a pile is to its piece's as its count is to the largest count of the
 * page, all as large together as they fit into their places. Pieces of other pages are left out.
 */
export function pilesOn(page: Page, edition: Edition, { pieces, places, counts }: Homes): Pile[] {
  const held = page.places.flatMap(place => {
    const column = places.indexOf(place.id)
    const those = pieces.flatMap((piece, i) => {
      const [entry, count] = [edition.pieces.get(piece as PieceId), column < 0 ? 0 : counts[i]![column]!]
      return entry?.page.id === page.id && count > 0
        ? [{ piece: piece as PieceId, count, width: entry.master.width, height: entry.master.height }]
        : []
    })
    const drawn = those.toSorted((a, b) => b.count - a.count).slice(0, MOST_IN_PLACE)
    return drawn.length ? [{ place: place.id, room: boxOf(place), drawn }] : []
  })
  const most = Math.max(1, ...held.flatMap(one => one.drawn.map(pile => pile.count)))
  const laidOut = (size: number): Pile[] | null => {
    const all = held.map(one => rows(one, size, most))
    return all.every(piles => piles !== null) ? (all as Pile[][]).flat() : null
  }
  const largest = laidOut(LARGEST)
  if (largest) return largest
  let [fits, doesnt] = [0, LARGEST]
  for (let i = 0; i < STEPS; i++) {
    const middle = (fits + doesnt) / 2
    if (laidOut(middle)) fits = middle
    else doesnt = middle
  }
  return laidOut(fits) ?? []
}

interface Held {
  readonly place: PlaceId
  readonly room: Box
  readonly drawn: readonly { piece: PieceId; count: number; width: number; height: number }[]
}

/** Null where they don't fit. */
function rows({ place, room, drawn }: Held, size: number, most: number): Pile[] | null {
  const piles: Pile[] = []
  let [x, y, deep] = [room.x + GAP * size, room.y + GAP * size, 0]
  for (const { piece, count, ...natural } of drawn) {
    const scale = size * Math.sqrt(count / most)
    const [width, height] = [natural.width * scale, natural.height * scale]
    const [wide, high] = [width + REACH * scale, height + REACH * scale]
    if (x + wide > room.x + room.width) {
      x = room.x + GAP * size
      y += deep + GAP * size
      deep = 0
    }
    if (x + wide > room.x + room.width || y + high > room.y + room.height) return null
    piles.push({ piece, place, count, scale, x, y: y + REACH * scale, width, height })
    x += wide + GAP * size
    deep = Math.max(deep, high)
  }
  return piles
}
