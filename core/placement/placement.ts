import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { Point } from '../geometry/shape'
import type { SlateState } from '../slate/state'
import { claim, type Claim } from './claim'

/** A piece with this share of its area in a place, or more, is in it. */
export const SURELY_IN = 0.75
/** A piece with this share or less is out of it. In between nobody can be sure, and the software doesn't pretend. */
export const SURELY_OUT = 0.25

export type Certainty = 'in' | 'unsure'
export interface Share extends Claim { readonly place: PlaceId, readonly certainty: Certainty }

/** Where one piece is. `shares` names the places it is in, or may be in, largest share first; ties in the order of the places. */
export type Placement
  = { readonly piece: PieceId, readonly at: 'ledge', readonly shares: readonly [] }
    | { readonly piece: PieceId, readonly at: 'page', readonly centre: Point, readonly shares: readonly Share[] }

/** Null when the share is so small that the piece is out. */
export function certainty(share: number): Certainty | null {
  return share >= SURELY_IN ? 'in' : share > SURELY_OUT ? 'unsure' : null
}

/** Where every piece of a page is, in the order of the page's pieces. */
export function placePieces(state: SlateState, page: Page, edition: Edition): Placement[] {
  return page.pieces.map((piece) => {
    const position = state.pieces[piece.id]
    if (!position) return { piece: piece.id, at: 'ledge', shares: [] }
    const { master } = edition.pieces.get(piece.id)!
    const shares = page.places.flatMap((place): Share[] => {
      const claimed = claim(place, piece, master, position)
      const sure = claimed && certainty(claimed.share)
      return sure ? [{ place: place.id, ...claimed, certainty: sure }] : []
    })
    shares.sort((a, b) => b.share - a.share)
    return { piece: piece.id, at: 'page', centre: { x: position.x, y: position.y }, shares }
  })
}

/** How many pieces of the board lie in a place, or may do, of how many there are: the student's progress. */
export function progress(state: SlateState, edition: Edition): { placed: number, of: number } {
  const placements = edition.board.pages.flatMap(page => placePieces(state, page, edition))
  return { placed: placements.filter(p => p.shares.length > 0).length, of: placements.length }
}
