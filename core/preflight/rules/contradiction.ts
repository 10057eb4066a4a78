import { closure } from '../../keys/partialOrder'
import type { Finding, Rule } from '../finding'

/** An order that goes round in a circle: no sequence can be right, and nothing is marked. */
export const contradiction: Rule = {
  name: 'contradiction',
  look: board =>
    board.keys.flatMap((key): Finding[] =>
      key.kind === 'order' && !closure(key.before)
        ? [
            {
              rule: 'contradiction',
              severity: 'stops',
              page: key.page,
              subjects: [key.lane, ...new Set(key.before.flat())],
              words: {},
            },
          ]
        : [],
    ),
}
