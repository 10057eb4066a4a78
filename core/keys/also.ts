import { MOST_ALSO, type Also } from './document'
import type { Key } from './key'
import type { ItemMark } from './outcome'

/** Says that something was not brought together, and not what was done instead: that is no answer. */
const NO_ANSWER: ReadonlySet<string> = new Set(['match-split'])

/**
 * What is alike is said the same of, beside how much of a piece lies in a place, which differs from hand to hand.
 */
export function likeness({ verdict, reason }: Pick<ItemMark, 'verdict' | 'reason'>): string {
  const { percent: _, ...words } = reason.words
  return JSON.stringify([verdict, reason.code, Object.entries(words).toSorted(([a], [b]) => (a < b ? -1 : 1))])
}
const asSaid = ({ code, words }: Also) => likeness({ verdict: 'wrong', reason: { code, words } })

/** Whether what was said of an item can be right as well: it is wrong for what was done. */
export const canBeRight = ({ verdict, reason }: Pick<ItemMark, 'verdict' | 'reason'>): boolean =>
  verdict === 'wrong' && !NO_ANSWER.has(reason.code)

/** The marks of a key with what the teacher takes as right as well. */
export function takenAsRight(marks: ItemMark[], also: readonly Also[] | undefined): ItemMark[] {
  if (!also) return marks
  return marks.map(mark =>
    canBeRight(mark) && also.some(one => one.item === mark.item && asSaid(one) === likeness(mark))
      ? { ...mark, verdict: 'right', points: mark.of, reason: { code: 'taken-as-right', words: {} } }
      : mark,
  )
}

/** The key with what was said of an item as right as well; null where it can't be, or where there is no room for it. */
export function withAlso<K extends Key>(key: K, mark: ItemMark): K | null {
  const { item, is, reason } = mark
  const also = key.also ?? []
  if (!canBeRight(mark) || also.length >= MOST_ALSO) return null
  return { ...key, also: [...also, { item, is, code: reason.code, words: { ...reason.words } }] }
}
