import * as v from 'valibot'
import { PlaceIdSchema } from '../../board/ids'
import { common, documentOf } from '../document'

const CellSchema = v.pipe(v.string(), v.regex(/^\d{1,2},\d{1,2}$/))
const ManySchema = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(40))
const CoverKeySchema = v.object({
  kind: v.literal('cover'),
  ...common,
  grid: PlaceIdSchema,
  /** The cells to cover, as "row,column" from 0. */
  cells: v.pipe(v.array(CellSchema), v.maxLength(1600)),
  /** Instead of certain cells: a full block of so many rows and columns, wherever on the grid. */
  array: v.optional(v.object({ rows: ManySchema, columns: ManySchema })),
})
export type CoverKey = v.InferOutput<typeof CoverKeySchema>

export const coverDocument = documentOf({
  schema: CoverKeySchema,
  mapped(key, to) {
    const grid = to.place(key.grid)
    return grid === null ? null : { ...key, grid }
  },
})
