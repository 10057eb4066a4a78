import type { Board, Page } from '../board/board'
import type { PageId } from '../board/ids'

/** Throws for a page that the board hasn't got: a programming error, since pages are only named by the board itself. */
export function requirePage(board: Board, id: PageId): Page {
  const page = board.pages.find(p => p.id === id)
  if (!page) throw new Error(`no page ${id} on this board`)
  return page
}

/** The board with one page changed. */
export function withPage(board: Board, id: PageId, change: (page: Page) => Page): Board {
  requirePage(board, id)
  return { ...board, pages: board.pages.map(page => page.id === id ? change(page) : page) }
}
