import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import type { Label, Master } from '../board/piece'
import type { Gaps, Grid, Place } from '../board/place'
import { bounds, boxAround, outline, overlaps } from '../geometry/outline'
import type { Box, Point } from '../geometry/shape'
import { layoutGaps } from '../layout/gaps'
import { piecesOf } from '../slate/pieces'
import type { SlateState } from '../slate/state'
import { shareIn, tipOf } from '../bodies/claim'
import { turnedAround } from '../geometry/turned'
import { turnedSize } from '../bodies/straight'

const GAP = 8
const INSET = 12

/**
 * Where a piece goes that is given to a place without being dragged there: the first spot, in rows from the top left,
 * where it lies wholly in the place and on no other piece. In a full place it is laid over the middle, a little lower
 * for each piece there so that all can be seen; the centre stays on the page.
 */
export function freeSpot({
  state,
  piece,
  place,
  page,
  edition,
}: {
  readonly state: SlateState
  readonly piece: PieceId
  readonly place: Place
  readonly page: Page
  readonly edition: Edition
}): Point {
  const { master, piece: held } = edition.pieces.get(piece)!
  const turn = state.pieces[piece]?.turn
  // A label is put so that its tip is where another piece's middle would be.
  if (held.kind === 'label') return clampToPage(tipAt(held.tip, master, turn, middleOf(place)), page)
  if (place.kind === 'slot') return clampToPage(middleOf(place), page)
  const size = turnedSize(master, turn)
  const points = outline(place.shape)
  const room = bounds(points)
  const others = boxesOfOthers(state, piece, page, edition)

  if (place.kind === 'grid' || place.kind === 'gaps') {
    const cell = middlesOf(place).find(
      middle => !others.some(other => overlaps(other, boxAround(middle, { width: 1, height: 1 }))),
    )
    if (cell) return cell
  }
  for (let y = room.y + INSET + size.height / 2; y + size.height / 2 <= room.y + room.height; y += size.height + GAP) {
    for (let x = room.x + INSET + size.width / 2; x + size.width / 2 <= room.x + room.width; x += size.width + GAP) {
      const box = boxAround({ x, y }, size)
      if (shareIn(points, box) > 0.999 && !others.some(other => overlaps(other, box))) return { x, y }
    }
  }
  const inPlace = others.filter(other => overlaps(other, room)).length
  const middle = { x: room.x + room.width / 2, y: room.y + room.height / 2 + (inPlace % 6) * GAP }
  return clampToPage(middle, page)
}

/** The boxes around all other pieces that lie on the page. */
export function boxesOfOthers(state: SlateState, piece: PieceId, page: Page, edition: Edition): Box[] {
  return piecesOf(state, page, edition).flatMap(other => {
    const lies = state.pieces[other.id]
    return lies && other.id !== piece
      ? [boxAround(lies, turnedSize(edition.pieces.get(other.id)!.master, lies.turn))]
      : []
  })
}

/** The centre at which a label's tip is at this point. */
export function tipAt(tip: Label['tip'], master: Master, turn: number | undefined, { x, y }: Point): Point {
  const out = turnedAround({ x: 0, y: 0 }, tipOf(tip, master, { x: 0, y: 0 }), turn ?? 0)
  return { x: x - out.x, y: y - out.y }
}

export function middleOf(place: Place): Point {
  const room = bounds(outline(place.shape))
  return { x: room.x + room.width / 2, y: room.y + room.height / 2 }
}

/** The middles of a grid's cells, row by row, or of gaps, in the order of the text. */
export function middlesOf(place: Grid | Gaps): Point[] {
  if (place.kind === 'gaps')
    return layoutGaps(place).gaps.map(({ x, y, width, height }) => ({ x: x + width / 2, y: y + height / 2 }))
  const { shape, rows, columns } = place
  return Array.from({ length: rows * columns }, (_, i) => ({
    x: shape.x + (((i % columns) + 0.5) * shape.width) / columns,
    y: shape.y + ((Math.floor(i / columns) + 0.5) * shape.height) / rows,
  }))
}

/** The nearest point on the page. */
export function clampToPage({ x, y }: Point, page: Page): Point {
  return { x: Math.min(Math.max(x, 0), page.width), y: Math.min(Math.max(y, 0), page.height) }
}

/** The nearest centre at which the piece lies wholly on the page; a piece bigger than the page is centred. */
export function clampPiece(centre: Point, size: { width: number; height: number }, page: Page): Point {
  return { x: between(centre.x, size.width, page.width), y: between(centre.y, size.height, page.height) }
}

/**
 * The nearest centre at which the piece lies wholly in the box around the place, so that a tap near an edge is no
 * doubt.
 */
export function clampToPlace(centre: Point, size: { width: number; height: number }, place: Place): Point {
  const room = bounds(outline(place.shape))
  return {
    x: room.x + between(centre.x - room.x, size.width, room.width),
    y: room.y + between(centre.y - room.y, size.height, room.height),
  }
}

function between(centre: number, size: number, room: number): number {
  return size > room ? room / 2 : Math.min(Math.max(centre, size / 2), room - size / 2)
}
