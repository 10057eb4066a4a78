import * as v from 'valibot'
import { PieceIdSchema, PlaceIdSchema } from '../../board/ids'
import { QuantitySchema } from '../../exact/quantitySchema'
import { common, documentOf, mappedRecord, unlessLost } from '../document'

const ScaleKeySchema = v.object({
  kind: v.literal('scale'),
  ...common,
  scale: PlaceIdSchema,
  values: v.record(PieceIdSchema, QuantitySchema),
  /** How far off still counts, in units of the scale. */
  tolerance: QuantitySchema,
})
export type ScaleKey = v.InferOutput<typeof ScaleKeySchema>

export const scaleDocument = documentOf({
  schema: ScaleKeySchema,
  mapped(key, to) {
    const scale = to.place(key.scale)
    if (scale === null) return null
    const values = mappedRecord(key.values, to.piece)
    return unlessLost({ ...key, scale, values }, Object.keys(key.values), Object.keys(values))
  },
})
