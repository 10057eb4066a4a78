import { scrambleLedge } from '../../design/pieces'
import { ledgeTells } from '../../design/telling'
import type { Finding, Rule } from '../finding'

/**
 * The order on the ledge gives the answer away: pieces of one home stand side by side, or the row is in the right order
 * already.
 */
export const tellingLedge: Rule = {
  name: 'telling-ledge',
  look: board =>
    board.pages.flatMap((page): Finding[] =>
      ledgeTells(board, page)
        ? [
            {
              rule: 'telling-ledge',
              severity: 'warning',
              page: page.id,
              subjects: page.ledge,
              words: {},
              fix: { code: 'scramble', apply: b => scrambleLedge(b, page.id, ((b.seed ?? 0) + 1) >>> 0) },
            },
          ]
        : [],
    ),
}
