import type { Board } from '../../board/board'
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

const whole = (board: Board): Finding => ({
  rule: 'no-instructions',
  severity: 'warning',
  page: board.pages[0]!.id,
  subjects: [],
  words: {},
  fix: { code: 'write', apply: (b, phrase) => ({ ...b, instructions: phrase('instructions') }) },
})

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
