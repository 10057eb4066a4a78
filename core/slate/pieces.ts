import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import { binOf } from '../board/binOf'
import type { PieceId } from '../board/ids'
import type { Piece } from '../board/piece'
import type { SlateState } from './state'

/**
 * The pieces of a page that are a student's to place: those of the board, and instead of each bin the copies that lie
 * there.
 */
export function piecesOf(state: SlateState, page: Page, edition: Edition): Piece[] {
  if (!page.pieces.some(piece => piece.bin)) return page.pieces
  const copies = new Map<PieceId, PieceId[]>()
  for (const id of Object.keys(state.pieces) as PieceId[]) {
    const bin = binOf(id)
    if (bin) copies.set(bin, [...(copies.get(bin) ?? []), id])
  }
  return page.pieces.flatMap(piece =>
    piece.bin ? (copies.get(piece.id) ?? []).toSorted().flatMap(id => edition.pieces.get(id)?.piece ?? []) : [piece],
  )
}
