import * as v from 'valibot'
import { OnSlateIdSchema, PageIdSchema, StepIdSchema } from '../board/ids'
import { LengthSchema } from '../geometry/shape'
import { AuthorSchema, type Author } from '../slate/actor'

/** Letters: the name of a text is an id, or two with what they are for. */
const LONGEST_TEXT_NAME = 120

/**
 * What the others on a slate see of somebody who is there now: the page and the activity, what they hold and where its
 * middle is, which text they write in, and whether they show the page to all, with what they point at on it. `asks`:
 * whom they ask to show theirs. It is told and never stored.
 */
export const HereSchema = v.object({
  page: v.optional(PageIdSchema),
  step: v.optional(StepIdSchema),
  holds: v.optional(v.object({ piece: OnSlateIdSchema, x: LengthSchema, y: LengthSchema })),
  writes: v.optional(v.pipe(v.string(), v.maxLength(LONGEST_TEXT_NAME))),
  presents: v.optional(v.literal(true)),
  points: v.optional(v.object({ x: LengthSchema, y: LengthSchema })),
  asks: v.optional(AuthorSchema),
})
export type Here = v.InferOutput<typeof HereSchema>

/** Somebody, and what is to be seen of them; null for who has gone. */
export type HandHere = readonly [author: Author, here: Here | null]

/** The others after this was heard: a whole list replaces what was known. */
export function heardHands(
  known: ReadonlyMap<Author, Here>,
  told: readonly HandHere[],
  whole: boolean,
): ReadonlyMap<Author, Here> {
  const next = new Map(whole ? [] : known)
  for (const [author, here] of told) {
    if (here) next.set(author, here)
    else next.delete(author)
  }
  return next
}
