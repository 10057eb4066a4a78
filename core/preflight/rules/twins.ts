import type { PieceId } from '../../board/ids'
import type { Key } from '../../keys/key'
import { kindOf } from '../../keys/kinds'
import type { Piece } from '../../board/piece'
import { pieceName } from '../../board/pieceName'
import type { Finding, Fix, Rule } from '../finding'

/** Pieces that look the same but have different answers: no student can tell which is which. */
export const twins: Rule = {
  name: 'twins',
  look: board =>
    board.keys.flatMap((key): Finding[] => {
      const answers = kindOf(key).answers?.(key)
      if (!answers) return []
      const groups = new Map<string, Piece[]>()
      for (const piece of board.pages.find(p => p.id === key.page)?.pieces ?? []) {
        if (answers.has(piece.id)) groups.set(look(piece), [...(groups.get(look(piece)) ?? []), piece])
      }
      return [...groups.values()].flatMap(pieces => {
        if (new Set(pieces.map(p => answers.get(p.id))).size < 2) return []
        const fix = fixFor(
          key,
          pieces.map(p => p.id),
        )
        const words = { count: pieces.length, name: pieceName(pieces[0]!) }
        return [
          {
            rule: 'twins',
            severity: 'stops' as const,
            page: key.page,
            subjects: pieces.map(p => p.id),
            words,
            ...(fix && { fix }),
          },
        ]
      })
    }),
}

/** Each of the pieces may have the answer of each of the others. */
function fixFor(key: Key, ids: readonly PieceId[]): Fix | null {
  if (!kindOf(key).interchanged) return null
  const changed = (k: Key) => (k.id === key.id ? (kindOf(k).interchanged?.(k, ids) ?? k) : k)
  return { code: 'either', apply: board => ({ ...board, keys: board.keys.map(changed) }) }
}

/** Capitals tell a country from a bird, spaces tell nothing; what has no words looks as its master makes it. */
function look(piece: Piece): string {
  const text = piece.text.trim().replace(/\s+/g, ' ')
  return [piece.kind, piece.kind === 'picture-card' ? piece.file : text ? '' : piece.master, text].join('|')
}
