import type { Board } from '../board/board'
import type { SlateStatus } from '../slate/status'
import type { ItemMark, KeyMark, Reason, Verdict } from './mark'

/** What a student may be told of one item: how it stands, and what is there, never what should be. */
export interface Feedback {
  readonly item: string
  readonly is: ItemMark['is']
  readonly verdict: Verdict
  readonly reason: Reason
}

/** These words of a reason say what the student did; all others could say the answer. */
const TELLS_NOTHING = new Set(['place', 'percent', 'made', 'tiles', 'placed', 'left', 'right', 'hits', 'text', 'drawn', 'stands', 'product', 'from', 'to'])

export function feedbackOn(marks: readonly KeyMark[]): Feedback[] {
  return marks.flatMap(mark => mark.items.map(({ item, is, verdict, reason }) => ({
    item, is, verdict,
    reason: { code: reason.code, words: Object.fromEntries(Object.entries(reason.words).filter(([name]) => TELLS_NOTHING.has(name))) },
  })))
}

/** Whether a student may see feedback now: `when` is the board's word on it, `keyed` says that it has a key at all. What was handed back is no secret any more. */
export function feedbackShows(when: Board['feedback'], keyed: boolean, status: SlateStatus): boolean {
  if (!keyed) return false
  if (status === 'handed-back') return true
  return when === 'asked' || (when === 'handed-in' && status === 'handed-in')
}
