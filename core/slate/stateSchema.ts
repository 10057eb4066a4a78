import * as v from 'valibot'
import { isOwnName, OnSlateIdSchema, PlaceIdSchema } from '../board/ids'
import { LengthSchema } from '../geometry/shape'
import { storedText } from '../text/storedText'
import { LONGEST_TEXT, MOST_STROKE_POINTS } from './state'

/** Higher lies on top; the last one moved is the highest. */
export const HeightSchema = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1_000_000_000))
/** x and y are the centre of the piece, so that a corrected edition may change its size and it still lies there. */
export const OnPageSchema = v.object({
  x: LengthSchema,
  y: LengthSchema,
  z: HeightSchema,
  /** Degrees clockwise; absent for none. */
  turn: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(359))),
  /** Its other side shows. */
  flipped: v.optional(v.literal(true)),
})

export const StrokeIdSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,40}$/), v.check(isOwnName))
export const StrokePointsSchema = v.pipe(
  v.array(v.strictTuple([LengthSchema, LengthSchema])),
  v.minLength(1),
  v.maxLength(MOST_STROKE_POINTS),
)
/** Rubbed out; kept, so that it can come back. */
export const RubbedSchema = v.optional(v.literal(true))
export const StrokeSchema = v.object({ place: PlaceIdSchema, points: StrokePointsSchema, gone: RubbedSchema })

/** Where something is written: a writing space, a gap ("place:gap", from 0), or a note. */
export const WrittenInSchema = v.pipe(
  v.string(),
  v.regex(/^[A-Za-z0-9_-]{1,40}(?::\d{1,2}|~[A-Za-z0-9_-]{4,24})?$/),
  v.check(isOwnName),
)

export const PiecesSchema = v.record(OnSlateIdSchema, OnPageSchema)
export const TextsSchema = v.record(WrittenInSchema, storedText(LONGEST_TEXT))
/** Each arrow as "from>to". */
export const ArrowNameSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_~-]{1,65}>[A-Za-z0-9_~-]{1,65}$/))
export const ArrowsSchema = v.record(ArrowNameSchema, v.literal(true))

export type OnPage = v.InferOutput<typeof OnPageSchema>
export type Stroke = v.InferOutput<typeof StrokeSchema>
