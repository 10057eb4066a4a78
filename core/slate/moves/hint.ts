import * as v from 'valibot'
import { MOST_HINTS } from '../../board/sizes'
import type { Edition } from '../../board/edition'
import { PageIdSchema, StepIdSchema } from '../../board/ids'
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
  check(state, { of, number }, edition) {
    const next = (state.hints[of] ?? 0) + 1
    // Two who look at once have seen the same one.
    if (number < next) return null
    return number === next && number <= hintsOf(edition, of).length ? null : { code: 'not-allowed', item: of }
  },
  perform: (state, { of, number }) =>
    number > (state.hints[of] ?? 0) ? { ...state, hints: { ...state.hints, [of]: number } } : state,
  invert: () => null,
}
