import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import { PIECE_TRAITS } from '~~/core/board/pieceTraits'

/** Points: what stands on the ledge without taking the room of the page. */
const HIGHEST = 84
const WIDEST = 240

/**
 * How large a piece is shown on the ledge, as a share of its true size. Large tiles are shown smaller there, all by the
 * same share, so that they still tell their values by their sizes; cards never are.
 */
export function ledgeShare(page: Page, edition: Edition): (piece: PieceId) => number {
  const sizes = page.pieces.filter(p => PIECE_TRAITS[p.kind].shownSmaller).map(p => edition.pieces.get(p.id)!.master)
  const share = Math.min(1, ...sizes.map(({ width, height }) => Math.min(HIGHEST / height, WIDEST / width)))
  return piece => (PIECE_TRAITS[edition.pieces.get(piece)!.piece.kind].shownSmaller ? share : 1)
}
