import type { Piece } from '../../board/piece'
import { pieceName } from '../../board/piece'
import { sortKeys, withSortKey } from '../../design/lookup'
import type { Finding, Rule } from '../finding'

/** Pieces that look the same but have different answers: no student can tell which is which. */
export const twins: Rule = {
  name: 'twins',
  look: board => sortKeys(board).flatMap((key): Finding[] => {
    const page = board.pages.find(p => p.id === key.page)
    const groups = new Map<string, Piece[]>()
    for (const piece of page?.pieces ?? []) {
      if (key.homes[piece.id]) groups.set(look(piece), [...groups.get(look(piece)) ?? [], piece])
    }
    return [...groups.values()].flatMap((pieces) => {
      const answers = new Set(pieces.map(p => key.homes[p.id]!.toSorted().join(' ')))
      if (answers.size < 2) return []
      const either = [...new Set(pieces.flatMap(p => key.homes[p.id]!))]
      return [{
        rule: 'twins', severity: 'stops' as const, page: key.page, subjects: pieces.map(p => p.id),
        words: { count: pieces.length, name: pieceName(pieces[0]!) },
        fix: {
          code: 'either',
          apply: b => withSortKey(b, key.id, k => ({ ...k, homes: { ...k.homes, ...Object.fromEntries(pieces.map(p => [p.id, either])) } })),
        },
      }]
    })
  }),
}

const look = (piece: Piece) => `${piece.kind === 'picture-card' ? piece.file : ''}|${piece.text.toLocaleLowerCase('en')}`
