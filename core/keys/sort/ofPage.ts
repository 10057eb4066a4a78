import type { Board } from '../../board/board'
import type { PageId } from '../../board/ids'
import { keysOn } from '../key'
import type { SortKey } from './key'

/** The page's sort, if it has one. */
export const sortKeyOf = (board: Board, page: PageId): SortKey | undefined => keysOn(board.keys, page, 'sort')[0]
