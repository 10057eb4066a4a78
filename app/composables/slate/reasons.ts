import type { Board, Page } from '~~/core/board/board'
import { reasonsOf } from '~~/core/slate/beside'

/** The reasons asked for on these pages, with the number of their page where the board has several. */
export const askedReasons = (board: Board, pages: readonly Page[] = board.pages) =>
  pages.flatMap(page =>
    reasonsOf(page).map(reason => ({
      ...reason,
      page,
      number: board.pages.length > 1 ? board.pages.indexOf(page) + 1 : null,
    })),
  )
