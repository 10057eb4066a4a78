import * as v from 'valibot'
import { KeyIdSchema, PageIdSchema, PieceIdSchema, PlaceIdSchema } from './ids'

export const SortKeySchema = v.object({
  kind: v.literal('sort'),
  id: KeyIdSchema,
  page: PageIdSchema,
  /** Right homes of each piece; an empty list says that it belongs nowhere; a piece that is absent counts for nothing. */
  homes: v.record(PieceIdSchema, v.pipe(v.array(PlaceIdSchema), v.maxLength(60))),
})

export const KeySchema = v.variant('kind', [SortKeySchema])

export type SortKey = v.InferOutput<typeof SortKeySchema>
export type Key = v.InferOutput<typeof KeySchema>
