import * as v from 'valibot'
import { PlaceIdSchema } from '../../board/ids'
import { PolynomialSchema } from '../../exact/polynomial'
import { common, documentOf } from '../document'

const ExpressionKeySchema = v.object({
  kind: v.literal('expression'),
  ...common,
  place: PlaceIdSchema,
  target: PolynomialSchema,
  /** The tiles must fill a rectangle, or a square, without gaps: its sides are the factors. */
  as: v.optional(v.picklist(['rectangle', 'square'])),
})
export type ExpressionKey = v.InferOutput<typeof ExpressionKeySchema>

export const expressionDocument = documentOf({
  schema: ExpressionKeySchema,
  mapped(key, to) {
    const place = to.place(key.place)
    return place === null ? null : { ...key, place }
  },
})
