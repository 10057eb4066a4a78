import type { OwnOnSlate } from '../slate/own'

/** What students put where others see it, and where its hiding is asked for. */
export type PutUpKind = 'thing' | 'line' | 'question' | 'heading'

export interface PutUp {
  readonly kind: PutUpKind
  readonly id: string
  /** Where it stands; null for a question, which is the whole class's. */
  readonly slate: string | null
  readonly words: string
  /** A picture by its name, and whether it is one of the library's. */
  readonly picture: { readonly id: string; readonly library: boolean } | null
  /** The name of who put it there. */
  readonly by: string
  /** ISO 8601. */
  readonly at: string
  readonly hidden: boolean
  /** Nobody else sees it before the teacher lets it through. */
  readonly waits: boolean
}

/** What of a thing others read or see; null for what only has a shape. */
export function shownOf(thing: OwnOnSlate): Pick<PutUp, 'words' | 'picture'> | null {
  if (thing.kind === 'text' || thing.kind === 'note') return { words: thing.text, picture: null }
  if (thing.kind !== 'picture') return null
  return { words: thing.alt, picture: { id: thing.picture, library: thing.from === 'library' } }
}

/** What waits comes first, then what was put up last. */
export const inQueue = (all: readonly PutUp[]): PutUp[] =>
  all.toSorted((a, b) => Number(b.waits) - Number(a.waits) || b.at.localeCompare(a.at))
