import { pieceName } from '../../board/piece'
import type { Finding, Rule } from '../finding'

/** Pieces for which the key has no word. A page without any key is an open sort, said once as advice. */
export const noAnswer: Rule = {
  name: 'no-answer',
  look: board => board.pages.flatMap((page): Finding[] => {
    if (page.pieces.length === 0) return []
    const key = board.keys.find(k => k.page === page.id)
    if (!key) return [{ rule: 'no-key', severity: 'advice', page: page.id, subjects: [], words: { count: page.pieces.length } }]
    const open = page.pieces.filter(piece => !key.homes[piece.id])
    if (open.length === 0) return []
    return [{
      rule: 'no-answer', severity: 'stops', page: page.id, subjects: open.map(p => p.id),
      words: { count: open.length, names: open.map(pieceName).join(', ') },
      fix: {
        code: 'nowhere',
        apply: b => ({
          ...b,
          keys: b.keys.map(k => k.id === key.id ? { ...k, homes: { ...k.homes, ...Object.fromEntries(open.map(p => [p.id, []])) } } : k),
        }),
      },
    }]
  }),
}
