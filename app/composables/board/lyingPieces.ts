import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { Master, Piece } from '~~/core/board/piece'
import { piecesOf } from '~~/core/slate/pieces'
import type { OnPage, SlateState } from '~~/core/slate/state'

export interface Lying {
  piece: Piece
  master: Master
  at: OnPage
}

/** The pieces that lie on a page, the lowest first. */
export function lyingPieces(state: SlateState, page: Page, edition: Edition): Lying[] {
  return piecesOf(state, page, edition)
    .flatMap(piece => {
      const at = state.pieces[piece.id]
      return at ? [{ piece, master: edition.pieces.get(piece.id)!.master, at }] : []
    })
    .sort((a, b) => a.at.z - b.at.z)
}

/** Where a piece is drawn, as SVG says it. */
export const spotOf = ({ x, y, turn }: Pick<OnPage, 'x' | 'y' | 'turn'>) =>
  `translate(${x} ${y})${turn ? ` rotate(${turn})` : ''}`
