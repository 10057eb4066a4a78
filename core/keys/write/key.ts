import * as v from 'valibot'
import { AmountSchema } from '../../exact/measure'
import { storedText } from '../../text/storedText'
import { common, documentOf, mappedRecord, mappedSpot, unlessLost } from '../document'

/** What counts as right in a writing space, or in a gap ("place:gap", counted from 0). */
const WrittenSchema = v.object({
  /** In all their variants; of numbers any form of the same value is accepted. */
  accepts: v.pipe(v.array(storedText(300)), v.minLength(1), v.maxLength(40)),
  /** Numbers and amounts: how far off still counts. */
  tolerance: v.optional(AmountSchema),
  /** Told apart only where it is said. */
  capitals: v.optional(v.boolean()),
  accents: v.optional(v.boolean()),
  punctuation: v.optional(v.boolean()),
})
const WriteKeySchema = v.object({
  kind: v.literal('write'),
  ...common,
  answers: v.record(v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{1,40}(:\d{1,2})?$/)), WrittenSchema),
})
export type Written = v.InferOutput<typeof WrittenSchema>
export type WriteKey = v.InferOutput<typeof WriteKeySchema>

export const writeDocument = documentOf({
  schema: WriteKeySchema,
  mapped(key, to) {
    const answers = mappedRecord(key.answers, mappedSpot(to.place))
    return unlessLost({ ...key, answers }, Object.keys(key.answers), Object.keys(answers))
  },
})
