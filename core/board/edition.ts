import type { Board, Page } from './board'
import type { MasterId, PieceId, PlaceId } from './ids'
import type { Master, Piece } from './piece'
import type { Place } from './place'

/** A frozen board with its pieces and places at hand by id. Built once, asked often. */
export interface Edition {
  readonly board: Board
  readonly pieces: ReadonlyMap<PieceId, { readonly piece: Piece, readonly page: Page, readonly master: Master }>
  readonly places: ReadonlyMap<PlaceId, { readonly place: Place, readonly page: Page }>
}

/** Throws when a piece has no master: `readBoard` has refused such a board long before. */
export function makeEdition(board: Board): Edition {
  const masters = new Map<MasterId, Master>(board.masters.map(m => [m.id, m]))
  const masterOf = (piece: Piece) => {
    const master = masters.get(piece.master)
    if (!master) throw new Error(`piece ${piece.id} has no master`)
    return master
  }
  return {
    board,
    pieces: new Map(board.pages.flatMap(page => page.pieces.map(piece => [piece.id, { piece, page, master: masterOf(piece) }]))),
    places: new Map(board.pages.flatMap(page => page.places.map(place => [place.id, { place, page }]))),
  }
}

/**
 * The edition as a student's device may hold it: no answers; the pieces in ledge order, since the order in which the
 * teacher typed them usually gives the answers away; pins without their names, which are what the labels are to find.
 */
export function withoutAnswers(board: Board): Board {
  return {
    ...board,
    keys: [],
    pages: board.pages.map((page) => {
      const rank = new Map(page.ledge.map((id, i) => [id, i]))
      const places = page.places.map(place => place.kind === 'pin' ? { ...place, heading: '' } : place)
      return { ...page, places, pieces: page.pieces.toSorted((a, b) => rank.get(a.id)! - rank.get(b.id)!) }
    }),
  }
}
