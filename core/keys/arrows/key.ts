import * as v from 'valibot'
import { PieceIdSchema } from '../../board/ids'
import { common, documentOf, mappedPairs, unlessLost } from '../document'

const ArrowsKeySchema = v.object({
  kind: v.literal('arrows'),
  ...common,
  arrows: v.pipe(v.array(v.strictTuple([PieceIdSchema, PieceIdSchema])), v.minLength(1), v.maxLength(400)),
  /** Which end has the point makes no difference. */
  bothWays: v.optional(v.boolean()),
})
export type ArrowsKey = v.InferOutput<typeof ArrowsKeySchema>

export const arrowsDocument = documentOf({
  schema: ArrowsKeySchema,
  mapped(key, to) {
    const arrows = mappedPairs(key.arrows, to.piece)
    return unlessLost({ ...key, arrows }, key.arrows, arrows)
  },
})
