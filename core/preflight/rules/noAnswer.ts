import { pieceName } from '../../board/pieceName'
import { referencesOf } from '../../keys/key'
import { withSortKey } from '../../design/lookup'
import { sortKeyOf } from '../../keys/sort/ofPage'
import type { Finding, Rule } from '../finding'

/**
 * Pieces of which no key of a page with a sort says a word. A page without any key is an open sort, said once as
 * advice.
 */
export const noAnswer: Rule = {
  name: 'no-answer',
  look: board =>
    board.pages.flatMap((page): Finding[] => {
      if (page.pieces.length === 0) return []
      const keys = board.keys.filter(key => key.page === page.id)
      if (keys.length === 0)
        return [
          { rule: 'no-key', severity: 'advice', page: page.id, subjects: [], words: { count: page.pieces.length } },
        ]
      const named = new Set(keys.flatMap(key => referencesOf(key).pieces))
      const open = page.pieces.filter(piece => !named.has(piece.id))
      // Only a sort says of each piece where it goes; for totals, slots, scales and orders further pieces may lie
      // about.
      const sort = sortKeyOf(board, page.id)
      if (!sort || open.length === 0) return []
      return [
        {
          rule: 'no-answer',
          severity: 'stops',
          page: page.id,
          subjects: open.map(p => p.id),
          words: { count: open.length, names: open.map(pieceName).join(', ') },
          fix: {
            code: 'nowhere',
            apply: b =>
              withSortKey(b, sort.id, key => ({
                ...key,
                homes: { ...key.homes, ...Object.fromEntries(open.map(p => [p.id, []])) },
              })),
          },
        },
      ]
    }),
}
