import { likeness } from '../keys/also'
import type { Decision } from '../keys/mark'
import type { ItemMark, Verdict } from '../keys/outcome'
import type { Reason } from '../keys/reason'

/** What one student did about an item. */
export interface OneAnswer {
  readonly slate: string
  readonly mark: ItemMark
  /** The teacher's word on it. */
  readonly decided: Decision | null
}
/** Answers that are alike. */
export interface Gathered<A extends OneAnswer> {
  readonly verdict: Verdict
  /** Of the first of them. */
  readonly reason: Reason
  readonly answers: readonly A[]
}

const ORDER: Readonly<Record<Verdict, number>> = { 'on-the-line': 0, wrong: 1, 'not-placed': 3, right: 2, noted: 4 }

/**
 * Alike ones together: the same verdict for the same reason. What the key is unsure of comes first, then what is wrong,
 * right, not placed; of these the most frequent first, ties in the order in which they came.
 */
export function gatherAnswers<A extends OneAnswer>(answers: readonly A[]): Gathered<A>[] {
  const groups = new Map<string, A[]>()
  for (const answer of answers) {
    const name = likeness(answer.mark)
    groups.set(name, [...(groups.get(name) ?? []), answer])
  }
  return [...groups.values()]
    .map(alike => ({ verdict: alike[0]!.mark.verdict, reason: alike[0]!.mark.reason, answers: alike }))
    .toSorted((a, b) => ORDER[a.verdict] - ORDER[b.verdict] || b.answers.length - a.answers.length)
}
