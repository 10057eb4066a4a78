import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { PageIdSchema, PieceIdSchema } from '../board/ids'
import { LengthSchema } from '../geometry/shape'

export const MOST_STROKE_POINTS = 4000

/** What a teacher leaves on a slate. Points are page points; an ink point is [x, y, pressure from 0 to 1]. */
export const MarginItemSchema = v.variant('kind', [
  v.object({
    kind: v.literal('ink'),
    page: PageIdSchema,
    points: v.pipe(
      v.array(v.strictTuple([LengthSchema, LengthSchema, v.pipe(v.number(), v.minValue(0), v.maxValue(1))])),
      v.minLength(1),
      v.maxLength(MOST_STROKE_POINTS),
    ),
  }),
  /** A note pinned to a piece goes where the piece lies. */
  v.object({
    kind: v.literal('note'),
    page: PageIdSchema,
    piece: PieceIdSchema,
    text: v.pipe(storedText(500), v.trim(), v.minLength(1, 'A note needs words')),
  }),
])
export type MarginItem = v.InferOutput<typeof MarginItemSchema>
export type MarginInk = Extract<MarginItem, { kind: 'ink' }>
export type MarginNote = Extract<MarginItem, { kind: 'note' }>
