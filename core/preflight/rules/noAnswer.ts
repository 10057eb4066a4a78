import { pieceName } from '../../board/piece'
import { referencesOf } from '../../board/references'
import { sortKeyOf, withSortKey } from '../../design/lookup'
import type { Finding, Rule } from '../finding'

/** Pieces of which no key of their page says a word. A page without any key is an open sort, said once as advice. */
export const noAnswer: Rule = {
  name: 'no-answer',
  look: board => board.pages.flatMap((page): Finding[] => {
    if (page.pieces.length === 0) return []
    const keys = board.keys.filter(key => key.page === page.id)
    if (keys.length === 0) return [{ rule: 'no-key', severity: 'advice', page: page.id, subjects: [], words: { count: page.pieces.length } }]
    const named = new Set(keys.flatMap(key => referencesOf(key).pieces))
    // Where a total or a balance is asked for, any tile may be used and none must be.
    const free = keys.some(key => key.kind === 'total' || key.kind === 'balance')
    const open = page.pieces.filter(piece => !named.has(piece.id) && !(free && piece.kind === 'tile'))
    if (open.length === 0) return []
    const sort = sortKeyOf(board, page.id)
    return [{
      rule: 'no-answer', severity: 'stops', page: page.id, subjects: open.map(p => p.id),
      words: { count: open.length, names: open.map(pieceName).join(', ') },
      ...(sort && {
        fix: {
          code: 'nowhere',
          apply: b => withSortKey(b, sort.id, key => ({ ...key, homes: { ...key.homes, ...Object.fromEntries(open.map(p => [p.id, []])) } })),
        },
      }),
    }]
  }),
}
