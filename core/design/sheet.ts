import type { Board } from '../board/board'
import type { PageId } from '../board/ids'
import type { Sheet } from '../board/rename'
import { requirePage } from './lookup'

/** A page of the board with its keys, and the masters that its pieces use. */
export function sheetOf(board: Board, id: PageId): Sheet {
  const page = requirePage(board, id)
  const used = new Set(page.pieces.map(piece => piece.master))
  return {
    page,
    masters: board.masters.filter(master => used.has(master.id)),
    keys: board.keys.filter(key => key.page === id),
  }
}
