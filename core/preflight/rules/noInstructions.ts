import type { Board } from '../../board/board'
import { kindsFor } from '../../keys/kinds'
import { toolsAnywhereOn } from '../../slate/own'
import type { Finding, Rule } from '../finding'

/** Nobody says what is to be done; unless each page's activities, or the teacher's own voice, do. */
export const noInstructions: Rule = {
  name: 'no-instructions',
  look(board) {
    const untold = board.pages.filter(page => page.pieces.length + page.places.length > 0 && !page.steps?.length)
    const told =
      board.instructions.trim() || board.spoken || (untold.length === 0 && board.pages.some(page => page.steps?.length))
    return [...(told ? [] : [whole(board)]), ...stepsWithout(board)]
  },
}

/** What can be written is what the likeliest task on the first page that has one asks for. */
function whole(board: Board): Finding {
  const keyed = board.keys[0]?.kind
  const likely = keyed ?? board.pages.flatMap(page => kindsFor(page, toolsAnywhereOn(board, page)))[0]
  return {
    rule: 'no-instructions',
    severity: 'warning',
    page: board.pages[0]!.id,
    subjects: [],
    words: {},
    ...(likely && { fix: { code: `write-${likely}`, apply: (b, phrase) => ({ ...b, instructions: phrase(likely) }) } }),
  }
}

/** Activities that say nothing beside others that do. */
const stepsWithout = (board: Board): Finding[] =>
  board.pages.flatMap((page): Finding[] => {
    const silent = (page.steps ?? []).filter(step => !step.instructions.trim() && !step.spoken)
    return silent.length
      ? [
          {
            rule: 'step-without-instructions',
            severity: 'warning',
            page: page.id,
            subjects: silent.map(step => step.id),
            words: { count: silent.length },
          },
        ]
      : []
  })
