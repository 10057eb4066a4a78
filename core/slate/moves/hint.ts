import * as v from 'valibot'
import { MOST_HINTS } from '../../board/sizes'
import type { Edition } from '../../board/edition'
import { PageIdSchema, StepIdSchema } from '../../board/ids'
import { ok, refuse } from '../../result'
import { thingName } from '../hands'
import type { Operation } from '../operation'

/** The next hint of a page or an activity is looked at. What was seen can't be unseen: nothing takes this back. */
export const HintSchema = v.object({
  kind: v.literal('hint'),
  of: v.union([PageIdSchema, StepIdSchema]),
  number: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_HINTS)),
})
export type Hint = v.InferOutput<typeof HintSchema>

/** The hints of a page or an activity, the first first; none where there is no such thing. */
export function hintsOf(edition: Edition, of: string): readonly string[] {
  const found = edition.board.pages.flatMap(page => [page, ...(page.steps ?? [])]).find(one => one.id === of)
  return found?.hints ?? []
}

export const hint: Operation<'hint', Hint> = {
  kind: 'hint',
  things: ({ of }) => [thingName('hint', of)],
  apply(state, { of, number }, edition) {
    const seen = state.hints[of] ?? 0
    // Two who look at once have seen the same one.
    if (number <= seen) return ok(state)
    if (number > hintsOf(edition, of).length || number > seen + 1) return refuse({ code: 'not-allowed', item: of })
    return ok({ ...state, hints: { ...state.hints, [of]: number } })
  },
  invert: () => null,
}
