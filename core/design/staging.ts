import type { Board } from '../board/board'
import type { PageId } from '../board/ids'
import type { Move } from '../slate/move'
import { requirePage, withPage } from './lookup'
import { takeOffPage } from './pieces'

/**
 * What a student's move means at the workbench: a piece that is put on the page lies there from the start. A bin stays
 * on the ledge; other moves change nothing.
 */
export function stagedPut(board: Board, pageId: PageId, move: Move): Board {
  if (move.kind === 'shelve') return takeOffPage(board, pageId, [move.piece])
  if (move.kind !== 'put') return board
  const { piece, x, y } = move
  const known = requirePage(board, pageId).pieces.find(p => p.id === piece)
  return known && !known.bin
    ? withPage(board, pageId, page => ({ ...page, staged: { ...page.staged, [piece]: { x, y } } }))
    : board
}
