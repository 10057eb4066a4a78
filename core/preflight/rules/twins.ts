import type { Board } from '../../board/board'
import type { PieceId } from '../../board/ids'
import type { Key } from '../../board/key'
import type { Piece } from '../../board/piece'
import { pieceName } from '../../board/pieceName'
import type { Finding, Fix, Rule } from '../finding'

/** Pieces that look the same but have different answers: no student can tell which is which. */
export const twins: Rule = {
  name: 'twins',
  look: board => board.keys.flatMap((key): Finding[] => {
    const answers = answersOf(key)
    if (!answers) return []
    const groups = new Map<string, Piece[]>()
    for (const piece of board.pages.find(p => p.id === key.page)?.pieces ?? []) {
      if (answers.has(piece.id)) groups.set(look(piece), [...groups.get(look(piece)) ?? [], piece])
    }
    return [...groups.values()].flatMap((pieces) => {
      if (new Set(pieces.map(p => answers.get(p.id))).size < 2) return []
      const fix = fixFor(key, pieces.map(p => p.id))
      return [{ rule: 'twins', severity: 'stops' as const, page: key.page, subjects: pieces.map(p => p.id), words: { count: pieces.length, name: pieceName(pieces[0]!) }, ...(fix && { fix }) }]
    })
  }),
}

/** What each piece's answer is, in a form that can be compared. Null for keys under which like pieces may stand for each other. */
function answersOf(key: Key): ReadonlyMap<PieceId, string> | null {
  switch (key.kind) {
    case 'sort': return new Map(entries(key.homes).map(([id, homes]) => [id, homes.toSorted().join(' ')]))
    case 'label': return new Map(entries(key.pins).map(([id, pins]) => [id, pins.toSorted().join(' ')]))
    case 'scale': return new Map(entries(key.values))
    case 'slots': {
      const slots = new Map<PieceId, string>()
      for (const [slot, pieces] of Object.entries(key.fits)) for (const id of pieces) slots.set(id, `${slots.get(id) ?? ''} ${slot}`)
      return slots
    }
    case 'order': return new Map([...new Set(key.before.flat())].map(id => [id, id]))
    case 'match': return new Map(key.sets.flatMap((set, i) => set.map(id => [id, String(i)] as const)))
    case 'total': case 'balance': case 'expression': case 'cover': case 'arrows': case 'write': case 'ink': case 'vote': case 'spectrum': return null
  }
}

/** Each of the pieces may have the answer of each of the others. */
function fixFor(key: Key, ids: readonly PieceId[]): Fix | null {
  const changed = (change: (key: Key) => Key): Fix => ({ code: 'either', apply: (board: Board) => ({ ...board, keys: board.keys.map(k => k.id === key.id ? change(k) : k) }) })
  switch (key.kind) {
    case 'sort': return changed(k => k.kind === 'sort' ? { ...k, homes: shared(k.homes, ids) } : k)
    case 'label': return changed(k => k.kind === 'label' ? { ...k, pins: shared(k.pins, ids) } : k)
    case 'slots': return changed(k => k.kind === 'slots' ? { ...k, fits: Object.fromEntries(Object.entries(k.fits).map(([slot, pieces]) => [slot, pieces.some(id => ids.includes(id)) ? [...new Set([...pieces, ...ids])] : pieces])) } : k)
    default: return null
  }
}

const entries = <T>(record: Readonly<Record<PieceId, T>>) => Object.entries(record) as [PieceId, T][]
function shared<T>(record: Readonly<Record<PieceId, T[]>>, ids: readonly PieceId[]): Record<PieceId, T[]> {
  const all = [...new Set(ids.flatMap(id => record[id] ?? []))]
  return { ...record, ...Object.fromEntries(ids.map(id => [id, all])) }
}
const look = (piece: Piece) => `${piece.kind === 'picture-card' ? piece.file : ''}|${piece.text.toLocaleLowerCase('en')}`
