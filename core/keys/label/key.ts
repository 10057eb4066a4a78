import * as v from 'valibot'
import { PieceIdSchema } from '../../board/ids'
import { common, documentOf, mappedHomes, mappedRecord, PlacesSchema, unlessLost } from '../document'

const LabelKeySchema = v.object({
  kind: v.literal('label'),
  ...common,
  /** The pins that each label may point at. */
  pins: v.record(PieceIdSchema, PlacesSchema),
})
export type LabelKey = v.InferOutput<typeof LabelKeySchema>

export const labelDocument = documentOf({
  schema: LabelKeySchema,
  mapped(key, to) {
    const pins = mappedRecord(key.pins, to.piece, mappedHomes(to))
    return unlessLost({ ...key, pins }, Object.keys(key.pins), Object.keys(pins))
  },
})
