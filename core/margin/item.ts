import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { PageIdSchema, PieceIdSchema } from '../board/ids'
import { LengthSchema } from '../geometry/shape'
import { OnPageSchema } from '../slate/stateSchema'

export const MOST_STROKE_POINTS = 4000
/** Letters of a note, and of why a piece is set aside. */
export const LONGEST_NOTE = 500
const AboutPiece = { page: PageIdSchema, piece: PieceIdSchema }
const LaySchema = v.omit(OnPageSchema, ['z'])

/**
 * What a teacher writes on a slate. Points are page points; an ink point is [x, y, pressure from 0 to 1]. `lay` is
 * where a piece lay when the teacher looked at it.
 */
export const WrittenItemSchema = v.variant('kind', [
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
    ...AboutPiece,
    text: v.pipe(storedText(LONGEST_NOTE), v.trim(), v.minLength(1, 'A note needs words')),
  }),
  /** "Look again": there as long as the piece lies where it lay. */
  v.object({ kind: v.literal('flag'), ...AboutPiece, lay: LaySchema }),
])
export type WrittenItem = v.InferOutput<typeof WrittenItemSchema>

/** A piece that the teacher took off the page for second thoughts: it waits until the student places it again. */
export const SecondThoughtSchema = v.object({
  kind: v.literal('second-thought'),
  ...AboutPiece,
  lay: LaySchema,
  /** Empty where nothing was said. */
  why: v.pipe(storedText(LONGEST_NOTE), v.trim()),
})
export type SecondThought = v.InferOutput<typeof SecondThoughtSchema>

/** All that a teacher leaves on a slate. */
export type MarginItem = WrittenItem | SecondThought
export type MarginKind = MarginItem['kind']
export type MarginOf<Kind extends MarginKind> = Extract<MarginItem, { kind: Kind }>
export type MarginInk = MarginOf<'ink'>
/** Belongs to one piece. */
export type PinnedItem = Exclude<MarginItem, MarginInk>
export type Lay = MarginOf<'flag'>['lay']
