import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { Master, Piece } from '~~/core/board/piece'
import type { OnPage, SlateState } from '~~/core/slate/state'

export interface Lying { piece: Piece, master: Master, at: OnPage }

/** The pieces that lie on a page, the lowest first. */
export function lyingPieces(state: SlateState, page: Page, edition: Edition): Lying[] {
  return page.pieces.flatMap((piece) => {
    const at = state.pieces[piece.id]
    return at ? [{ piece, master: edition.pieces.get(piece.id)!.master, at }] : []
  }).sort((a, b) => a.at.z - b.at.z)
}
