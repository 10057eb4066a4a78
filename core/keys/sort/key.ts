import * as v from 'valibot'
import { PieceIdSchema } from '../../board/ids'
import { common, documentOf, mappedHomes, mappedRecord, PlacesSchema, unlessLost } from '../document'

const SortKeySchema = v.object({
  kind: v.literal('sort'),
  ...common,
  /**
   * Right homes of each piece; an empty list says that it belongs nowhere; a piece that is absent counts for nothing.
   */
  homes: v.record(PieceIdSchema, PlacesSchema),
  /**
   * Rings: a piece must be in all of its homes at once and in no other zone, so that each region is an answer of its
   * own.
   */
  regions: v.optional(v.boolean()),
})
export type SortKey = v.InferOutput<typeof SortKeySchema>

export const sortDocument = documentOf({
  schema: SortKeySchema,
  mapped(key, to) {
    const homes = mappedRecord(key.homes, to.piece, mappedHomes(to))
    return unlessLost({ ...key, homes }, Object.keys(key.homes), Object.keys(homes))
  },
})
