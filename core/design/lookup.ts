import type { Board, Page } from '../board/board'
import type { PageId } from '../board/ids'
import type { Key } from '../keys/key'
import type { SortKey } from '../keys/sort/key'

/** Throws for a page that the board hasn't got: a programming error, since pages are only named by the board itself. */
export function requirePage(board: Board, id: PageId): Page {
  const page = board.pages.find(p => p.id === id)
  if (!page) throw new Error(`no page ${id} on this board`)
  return page
}

/** The board with one page changed. */
export function withPage(board: Board, id: PageId, change: (page: Page) => Page): Board {
  requirePage(board, id)
  return { ...board, pages: board.pages.map(page => (page.id === id ? change(page) : page)) }
}

/** The board with one sort key changed. */
export function withSortKey(board: Board, id: SortKey['id'], change: (key: SortKey) => SortKey): Board {
  return { ...board, keys: board.keys.map((key): Key => (key.kind === 'sort' && key.id === id ? change(key) : key)) }
}
