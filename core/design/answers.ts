import type { Board } from '../board/board'
import type { KeyId, PageId } from '../board/ids'
import type { Key, KeyKind } from '../keys/key'
import { rescrambled } from './pieces'

/**
 * These keys take the place of the page's former ones of their kind; the ledge is scrambled anew so that it doesn't
 * give the answers away.
 */
export function keepKeys(board: Board, page: PageId, kind: KeyKind, keys: readonly Key[]): Board {
  return rescrambled(
    { ...board, keys: [...board.keys.filter(other => other.kind !== kind || other.page !== page), ...keys] },
    page,
  )
}

export const keepKey = (board: Board, key: Key): Board => keepKeys(board, key.page, key.kind, [key])

export function withoutKey(board: Board, key: KeyId): Board {
  return { ...board, keys: board.keys.filter(other => other.id !== key) }
}

export function changeKey<K extends Key>(board: Board, changed: K): Board {
  return { ...board, keys: board.keys.map(key => (key.id === changed.id ? changed : key)) }
}
