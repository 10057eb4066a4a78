import * as v from 'valibot'
import { storedText } from '../../text/storedText'
import { common, documentOf, mappedAll, mappedRecord, mappedSpot, PiecesSchema, unlessLost } from '../document'

const SlotsKeySchema = v.object({
  kind: v.literal('slots'),
  ...common,
  /** What each slot accepts. A cell of a grid is named "place:row,column", both counted from 0; a gap "place:0,gap". */
  fits: v.record(v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{1,40}(:\d{1,2},\d{1,2})?$/)), PiecesSchema),
  /** Slots that may change places with each other, such as the two factors of a product. */
  alike: v.optional(v.pipe(v.array(v.pipe(v.array(storedText(90)), v.minLength(2))), v.maxLength(50))),
})
export type SlotsKey = v.InferOutput<typeof SlotsKeySchema>

export const slotsDocument = documentOf({
  schema: SlotsKeySchema,
  mapped(key, to) {
    const spot = mappedSpot(to.place)
    const fits = mappedRecord(key.fits, spot, pieces => mappedAll(pieces, to.piece))
    const alike = key.alike?.map(group => mappedAll(group, spot)).filter(group => group.length > 1)
    return unlessLost({ ...key, fits, ...(alike && { alike }) }, Object.keys(key.fits), Object.keys(fits))
  },
})
