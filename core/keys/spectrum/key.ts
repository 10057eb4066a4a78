import * as v from 'valibot'
import { PlaceIdSchema } from '../../board/ids'
import { common, documentOf, mappedAll, PiecesSchema, unlessLost } from '../document'

/** Summed up, never scored: where on a from-to scale each piece stands. */
const SpectrumKeySchema = v.object({
  kind: v.literal('spectrum'),
  ...common,
  scale: PlaceIdSchema,
  pieces: v.pipe(PiecesSchema, v.minLength(1)),
})
export type SpectrumKey = v.InferOutput<typeof SpectrumKeySchema>

export const spectrumDocument = documentOf({
  schema: SpectrumKeySchema,
  mapped(key, to) {
    const [scale, pieces] = [to.place(key.scale), mappedAll(key.pieces, to.piece)]
    return scale === null ? null : unlessLost({ ...key, scale, pieces }, key.pieces, pieces)
  },
})
