import * as v from 'valibot'
import { PlaceIdSchema } from '../../board/ids'
import { AmountSchema } from '../../exact/measure'
import { common, documentOf, mappedAll, PlacesSchema } from '../document'

const TotalKeySchema = v.object({
  kind: v.literal('total'),
  ...common,
  place: PlaceIdSchema,
  target: AmountSchema,
  /** As few tiles as can be: no smaller ones left that make one of the next size. */
  standardForm: v.optional(v.boolean()),
  /** Exactly so many tiles. */
  tiles: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000))),
  /** Further places that must make the target too, each in a way of its own. */
  ways: v.optional(PlacesSchema),
})
export type TotalKey = v.InferOutput<typeof TotalKeySchema>

export const totalDocument = documentOf({
  schema: TotalKeySchema,
  mapped(key, to) {
    const place = to.place(key.place)
    return place === null ? null : { ...key, place, ...(key.ways && { ways: mappedAll(key.ways, to.place) }) }
  },
})
