import type { Board } from '../board/board'
import { versionOf } from './version'

/** How many pages of a board are held back until the teacher opens them. */
export const heldBackOn = (board: Board): number => board.pages.filter(page => page.heldBack).length

/**
 * The board as it is given out: without the pages that are held back, so that nothing of them is on any device before
 * they are opened. A board of nothing else is given out whole.
 */
export function withoutHeldBack(board: Board): Board {
  if (heldBackOn(board) === 0) return board
  const rest = versionOf(board, { pages: board.pages.filter(page => page.heldBack).map(page => page.id), pieces: [] })
  return rest.ok ? rest.value : board
}
