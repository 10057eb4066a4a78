import type { Board } from '../board/board'
import type { PageId } from '../board/ids'
import { TOOLS, type Tool } from '../board/tools'
import { withPage } from './lookup'

/** In the order in which they are shown; none at all is no list. */
const inOrder = (tools: readonly Tool[]) => TOOLS.filter(tool => tools.includes(tool))

/** What students are given on every page that has no tools of its own. */
export function setBoardTools({ tools: _, ...board }: Board, tools: readonly Tool[]): Board {
  return tools.length ? { ...board, tools: inOrder(tools) } : board
}

/** What students are given on this page instead of the board's tools, none among them; null: the board's. */
export function setPageTools(board: Board, page: PageId, tools: readonly Tool[] | null): Board {
  return withPage(board, page, ({ tools: _, ...rest }) => (tools ? { ...rest, tools: inOrder(tools) } : rest))
}

/** What students are given in one step instead of the page's tools; null: the page's. */
export function setStepTools(board: Board, page: PageId, step: string, tools: readonly Tool[] | null): Board {
  return withPage(board, page, whole => ({
    ...whole,
    steps: whole.steps?.map(one => (one.id === step ? withTools(one, tools) : one)),
  }))
}

function withTools<Step extends { tools?: Tool[] | undefined }>(
  { tools: _, ...step }: Step,
  tools: readonly Tool[] | null,
) {
  return { ...step, ...(tools && { tools: inOrder(tools) }) } as Step
}
