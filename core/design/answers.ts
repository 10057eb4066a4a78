import type { Board } from '../board/board'
import type { SortKey } from '../board/key'
import { rescrambled } from './pieces'

/** The key takes the place of the page's former one; the ledge is scrambled anew so that it doesn't give the answers away. */
export function keepKey(board: Board, key: SortKey): Board {
  return rescrambled({ ...board, keys: [...board.keys.filter(other => other.kind !== 'sort' || other.page !== key.page), key] }, key.page)
}

export function withoutKey(board: Board, key: SortKey['id']): Board {
  return { ...board, keys: board.keys.filter(other => other.id !== key) }
}
