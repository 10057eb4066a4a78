import type { Rule } from '../finding'

export const noInstructions: Rule = {
  name: 'no-instructions',
  look: board => board.instructions.trim()
    ? []
    : [{
        rule: 'no-instructions', severity: 'warning', page: board.pages[0]!.id, subjects: [], words: {},
        fix: { code: 'write', apply: (b, phrase) => ({ ...b, instructions: phrase('instructions') }) },
      }],
}
