import type { Board } from '../board/board'
import type { KeyId, PageId } from '../board/ids'
import type { Key } from '../board/key'
import { rescrambled } from './pieces'

/** These keys take the place of the page's former ones of their kind; the ledge is scrambled anew so that it doesn't give the answers away. */
export function keepKeys(board: Board, page: PageId, kind: Key['kind'], keys: readonly Key[]): Board {
  return rescrambled({ ...board, keys: [...board.keys.filter(other => other.kind !== kind || other.page !== page), ...keys] }, page)
}

export const keepKey = (board: Board, key: Key): Board => keepKeys(board, key.page, key.kind, [key])

export function withoutKey(board: Board, key: KeyId): Board {
  return { ...board, keys: board.keys.filter(other => other.id !== key) }
}

export function changeKey<K extends Key>(board: Board, changed: K): Board {
  return { ...board, keys: board.keys.map(key => key.id === changed.id ? changed : key) }
}

/** Kinds of key that can have more than one right answer to the same question. */
export const ALTERNATIVES: ReadonlySet<Key['kind']> = new Set(['sort', 'slots', 'label', 'write'])

/** The former key with what the other one says as well: each of the answers is right. Keys of other kinds are replaced. */
export function alsoRight(former: Key, now: Key): Key {
  if (former.kind === 'sort' && now.kind === 'sort') return { ...former, homes: joined(former.homes, now.homes) }
  if (former.kind === 'slots' && now.kind === 'slots') return { ...former, fits: joined(former.fits, now.fits) }
  if (former.kind === 'label' && now.kind === 'label') return { ...former, pins: joined(former.pins, now.pins) }
  if (former.kind === 'write' && now.kind === 'write') {
    const answers = Object.entries(now.answers).map(([space, { accepts, ...more }]) =>
      [space, { ...more, ...former.answers[space], accepts: [...new Set([...former.answers[space]?.accepts ?? [], ...accepts])] }])
    return { ...former, answers: { ...former.answers, ...Object.fromEntries(answers) } }
  }
  return now
}

function joined<Name extends string, T>(a: Readonly<Record<Name, T[]>>, b: Readonly<Record<Name, T[]>>): Record<Name, T[]> {
  const all: Record<Name, T[]> = { ...a }
  for (const [name, values] of Object.entries(b) as [Name, T[]][]) all[name] = [...new Set([...a[name] ?? [], ...values])]
  return all
}
