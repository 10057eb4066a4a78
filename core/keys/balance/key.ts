import * as v from 'valibot'
import { PlaceIdSchema } from '../../board/ids'
import { QuantitySchema } from '../../exact/quantitySchema'
import { common, documentOf } from '../document'

const BalanceKeySchema = v.object({
  kind: v.literal('balance'),
  ...common,
  left: PlaceIdSchema,
  right: PlaceIdSchema,
  /** What the x on the tiles is worth. */
  unknown: v.optional(QuantitySchema),
  /** Right only once a single x stands alone on one side. */
  solve: v.optional(v.boolean()),
})
export type BalanceKey = v.InferOutput<typeof BalanceKeySchema>

export const balanceDocument = documentOf({
  schema: BalanceKeySchema,
  mapped(key, to) {
    const [left, right] = [to.place(key.left), to.place(key.right)]
    return left === null || right === null ? null : { ...key, left, right }
  },
})
