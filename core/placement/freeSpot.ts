import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import type { Place } from '../board/place'
import { bounds, boxAround, outline, overlaps } from '../geometry/outline'
import type { Point } from '../geometry/shape'
import type { SlateState } from '../slate/state'
import { shareIn } from './placement'

const GAP = 8
const INSET = 12

/**
 * Where a piece goes that is given to a place without being dragged there: the first spot, in rows from the top left,
 * where it lies wholly in the place and on no other piece. In a full place it is laid over the middle, a little lower
 * for each piece there so that all can be seen; the centre stays on the page.
 */
export function freeSpot(state: SlateState, piece: PieceId, place: Place, page: Page, edition: Edition): Point {
  const size = edition.pieces.get(piece)!.master
  const points = outline(place.shape)
  const room = bounds(points)
  const others = page.pieces
    .filter(other => other.id !== piece && state.pieces[other.id])
    .map(other => boxAround(state.pieces[other.id]!, edition.pieces.get(other.id)!.master))

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

/** The nearest point on the page. */
export function clampToPage({ x, y }: Point, page: Page): Point {
  return { x: Math.min(Math.max(x, 0), page.width), y: Math.min(Math.max(y, 0), page.height) }
}

/** The nearest centre at which the piece lies wholly on the page; a piece bigger than the page is centred. */
export function clampPiece(centre: Point, size: { width: number, height: number }, page: Page): Point {
  return { x: between(centre.x, size.width, page.width), y: between(centre.y, size.height, page.height) }
}

/** The nearest centre at which the piece lies wholly in the box around the place, so that a tap near an edge is no doubt. */
export function clampToPlace(centre: Point, size: { width: number, height: number }, place: Place): Point {
  const room = bounds(outline(place.shape))
  return {
    x: room.x + between(centre.x - room.x, size.width, room.width),
    y: room.y + between(centre.y - room.y, size.height, room.height),
  }
}

function between(centre: number, size: number, room: number): number {
  return size > room ? room / 2 : Math.min(Math.max(centre, size / 2), room - size / 2)
}
