import * as v from 'valibot'
import { storedText } from '../text/storedText'
import type { Author } from '../slate/actor'

export const LONGEST_LINE = 400
/** Of one slate. */
export const MOST_LINES = 500

/** What somebody says beside a slate. The id is made by who says it, so that what is sent twice stands there once. */
export const SaidSchema = v.strictObject({
  id: v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,40}$/)),
  words: v.pipe(storedText(LONGEST_LINE), v.trim(), v.minLength(1)),
  /** An item of the margin that this answers. */
  about: v.optional(v.pipe(v.string(), v.uuid(), v.toLowerCase())),
})
export type Said = v.InferOutput<typeof SaidSchema>

export interface TalkLine {
  readonly id: string
  readonly by: Author
  readonly words: string
  readonly about: string | null
  readonly at: string
  readonly hidden: boolean
}
