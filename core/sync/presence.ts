import * as v from 'valibot'
import { OnSlateIdSchema, PageIdSchema, StepIdSchema } from '../board/ids'
import { LengthSchema } from '../geometry/shape'
import type { Author } from '../slate/actor'

/**
 * What the others on a slate see of somebody who is there now: the page and the activity, what they hold and where its
 * middle is, and whether they show the page to all. It is told and never stored.
 */
export const HereSchema = v.object({
  page: v.optional(PageIdSchema),
  step: v.optional(StepIdSchema),
  holds: v.optional(v.object({ piece: OnSlateIdSchema, x: LengthSchema, y: LengthSchema })),
  presents: v.optional(v.literal(true)),
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
