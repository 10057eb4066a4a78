import * as v from 'valibot'
import { PieceIdSchema } from '../../board/ids'
import { common, documentOf, mappedAll, PlacesSchema, unlessLost } from '../document'

const MatchKeySchema = v.object({
  kind: v.literal('match'),
  ...common,
  /** What belongs together: a word, its meaning, its picture. No piece is in two sets. */
  sets: v.pipe(
    v.array(v.pipe(v.array(PieceIdSchema), v.minLength(2), v.maxLength(20))),
    v.minLength(1),
    v.maxLength(60),
  ),
  /**
   * Where they are brought together: in one of these zones or lanes, or in one row of one of these grids. None:
   * wherever they touch.
   */
  where: PlacesSchema,
})
export type MatchKey = v.InferOutput<typeof MatchKeySchema>

export const matchDocument = documentOf({
  schema: MatchKeySchema,
  mapped(key, to) {
    const sets = key.sets.map(set => mappedAll(set, to.piece)).filter(set => set.length > 1)
    const where = mappedAll(key.where, to.place)
    // With the last of its places gone it must not turn into "wherever they touch" by itself.
    return unlessLost(unlessLost({ ...key, sets, where }, key.where, where), key.sets, sets)
  },
})
