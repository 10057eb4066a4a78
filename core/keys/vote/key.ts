import * as v from 'valibot'
import { common, documentOf, mappedAll, PlacesSchema, unlessLost } from '../document'

/** Counted, never scored: how many pieces lie in each place. */
const VoteKeySchema = v.object({ kind: v.literal('vote'), ...common, places: v.pipe(PlacesSchema, v.minLength(1)) })
export type VoteKey = v.InferOutput<typeof VoteKeySchema>

export const voteDocument = documentOf({
  schema: VoteKeySchema,
  mapped(key, to) {
    const places = mappedAll(key.places, to.place)
    return unlessLost({ ...key, places }, key.places, places)
  },
})
