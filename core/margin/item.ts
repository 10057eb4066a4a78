import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { SpokenSchema } from '../board/clip'
import { PageIdSchema, PieceIdSchema, PlaceIdSchema } from '../board/ids'
import { LengthSchema } from '../geometry/shape'
import { OnPageSchema } from '../slate/stateSchema'

export const MOST_STROKE_POINTS = 4000
/** Letters of a note, and of why a piece is set aside. */
export const LONGEST_NOTE = 500
const AboutPiece = { page: PageIdSchema, piece: PieceIdSchema }
const LaySchema = v.omit(OnPageSchema, ['z'])

/**
 * What something in the margin is about: a piece, with which it goes wherever that lies; a place; or a spot of the
 * page, in page points.
 */
const AnchorSchema = v.variant('to', [
  v.object({ to: v.literal('piece'), piece: PieceIdSchema }),
  v.object({ to: v.literal('place'), place: PlaceIdSchema }),
  v.object({ to: v.literal('spot'), x: LengthSchema, y: LengthSchema }),
])
export type Anchor = v.InferOutput<typeof AnchorSchema>
const Anchored = { page: PageIdSchema, at: AnchorSchema }

/** A highlighter lies over what it marks, and what it marks can be read through it. */
const INK_TIPS = ['pen', 'highlighter'] as const
export type InkTip = (typeof INK_TIPS)[number]

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
    /** A pen where nothing is said. */
    tip: v.optional(v.picklist(INK_TIPS)),
  }),
  /** "Seen, and good": a sign without words. */
  v.object({ kind: v.literal('tick'), ...Anchored }),
  v.object({
    kind: v.literal('note'),
    ...Anchored,
    text: v.pipe(storedText(LONGEST_NOTE), v.trim(), v.minLength(1, 'A note needs words')),
  }),
  /** A note that is heard. */
  v.object({ kind: v.literal('spoken'), ...Anchored, ...SpokenSchema.entries }),
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
/** Is drawn, and says what it says without a number. */
type DrawnKind = 'ink' | 'tick'
/** Has a number, on the page and beside it. */
export type PinnedItem = Exclude<MarginItem, { kind: DrawnKind }>
export type Lay = MarginOf<'flag'>['lay']
