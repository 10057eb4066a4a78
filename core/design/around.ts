import type { Board, Page } from '../board/board'
import type { PageId } from '../board/ids'
import { MOST_HINTS } from '../board/sizes'
import { withPage } from './lookup'

/** What reasons students are asked for on this page; null for none. */
export function setExplain(board: Board, page: PageId, explain: Page['explain'] | null): Board {
  return withPage(board, page, ({ explain: _, ...rest }) => (explain ? { ...rest, explain } : rest))
}

/** Whether there is room for notes beside this page. */
export function setNotes(board: Board, page: PageId, notes: boolean): Board {
  return withPage(board, page, ({ notes: _, ...rest }) => (notes ? { ...rest, notes } : rest))
}

/** In which language the board is read aloud, and whether what stands on pieces is. */
export function setReading(
  { language: _, readPieces: __, ...board }: Board,
  { language, readPieces }: Pick<Board, 'language' | 'readPieces'>,
): Board {
  return { ...board, ...(language && language !== 'en-GB' && { language }), ...(readPieces && { readPieces }) }
}

/** The hints of a page, or of one of its activities: one a line, empty lines passed over, no more than there may be. */
export function setHints(board: Board, page: PageId, step: string | null, lines: string): Board {
  const hints = lines
    .split('\n')
    .map(line => line.trim())
    .filter(Boolean)
    .slice(0, MOST_HINTS)
  const hinted = <T extends { hints?: string[] | undefined }>({ hints: _, ...rest }: T) =>
    ({ ...rest, ...(hints.length && { hints }) }) as T
  return withPage(board, page, whole =>
    step === null ? hinted(whole) : { ...whole, steps: whole.steps?.map(one => (one.id === step ? hinted(one) : one)) },
  )
}
