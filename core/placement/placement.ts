import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import { areaInside } from '../geometry/area'
import { bounds, boxAround, outline, overlaps } from '../geometry/outline'
import type { Box, Point } from '../geometry/shape'
import type { SlateState } from '../slate/state'

/** A piece with this share of its area in a place, or more, is in it. */
export const SURELY_IN = 0.75
/** A piece with this share or less is out of it. In between nobody can be sure, and the software doesn't pretend. */
export const SURELY_OUT = 0.25

export type Certainty = 'in' | 'unsure'
export interface Share { readonly place: PlaceId, readonly share: number, readonly certainty: Certainty }

/** Where one piece is. `shares` names the places it is in, or may be in, largest share first; ties in the order of the places. */
export type Placement
  = { readonly piece: PieceId, readonly at: 'ledge', readonly shares: readonly [] }
    | { readonly piece: PieceId, readonly at: 'page', readonly centre: Point, readonly shares: readonly Share[] }

/** Share of a box's area that lies in an outline, from 0 to 1. A box without area has no share in anything: 0. */
export function shareIn(points: readonly Point[], box: Box): number {
  const whole = box.width * box.height
  return whole > 0 ? Math.min(1, areaInside(points, box) / whole) : 0
}

/** Null when the share is so small that the piece is out. */
export function certainty(share: number): Certainty | null {
  return share >= SURELY_IN ? 'in' : share > SURELY_OUT ? 'unsure' : null
}

/** Where every piece of a page is, in the order of the page's pieces. */
export function placePieces(state: SlateState, page: Page, edition: Edition): Placement[] {
  const places = page.places.map(({ id, shape }) => {
    const points = outline(shape)
    return { id, points, bounds: bounds(points) }
  })
  return page.pieces.map(({ id }) => {
    const position = state.pieces[id]
    if (!position) return { piece: id, at: 'ledge', shares: [] }
    const box = boxAround(position, edition.pieces.get(id)!.master)
    const shares: Share[] = []
    for (const place of places) {
      if (!overlaps(place.bounds, box)) continue
      const share = shareIn(place.points, box)
      const sure = certainty(share)
      if (sure) shares.push({ place: place.id, share, certainty: sure })
    }
    shares.sort((a, b) => b.share - a.share)
    return { piece: id, at: 'page', centre: { x: position.x, y: position.y }, shares }
  })
}

/** How many pieces of the board lie in a place, or may do, of how many there are: the student's progress. */
export function progress(state: SlateState, edition: Edition): { placed: number, of: number } {
  const placements = edition.board.pages.flatMap(page => placePieces(state, page, edition))
  return { placed: placements.filter(p => p.shares.length > 0).length, of: placements.length }
}
