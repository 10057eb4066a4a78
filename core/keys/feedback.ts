import { kindOf } from './kinds'
import type { KeyMark, Verdict } from './outcome'
import { heardAs, type ItemKind, type Reason } from './reason'

/** What a student may be told of one item: how it stands, and what is there, never what should be. */
export interface Feedback {
  readonly item: string
  readonly is: ItemKind
  readonly verdict: Verdict
  readonly reason: Reason
}

/** What is told follows from what the student did and from the verdict alone. */
export function feedbackOn(marks: readonly KeyMark[]): Feedback[] {
  return marks.flatMap(mark => {
    const { reasons } = kindOf(mark)
    return mark.items.map(({ item, is, verdict, reason }) => {
      const { code, doing } = heardAs(reasons, reason.code)
      return {
        item,
        is,
        verdict,
        reason: { code, words: Object.fromEntries(doing.map(name => [name, reason.words[name]!])) },
      }
    })
  })
}
