import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { AmountSchema } from '../exact/measure'
import { PolynomialSchema } from '../exact/polynomial'
import { QuantitySchema } from '../exact/quantitySchema'
import { FigureIdSchema, KeyIdSchema, PageIdSchema, PieceIdSchema, PlaceIdSchema } from './ids'

const common = { id: KeyIdSchema, page: PageIdSchema }
const PiecesSchema = v.pipe(v.array(PieceIdSchema), v.maxLength(200))
const PlacesSchema = v.pipe(v.array(PlaceIdSchema), v.maxLength(60))
const FiguresSchema = v.pipe(v.array(FigureIdSchema), v.maxLength(100))

export const SortKeySchema = v.object({
  kind: v.literal('sort'), ...common,
  /** Right homes of each piece; an empty list says that it belongs nowhere; a piece that is absent counts for nothing. */
  homes: v.record(PieceIdSchema, PlacesSchema),
  /** Rings: a piece must be in all of its homes at once and in no other zone, so that each region is an answer of its own. */
  regions: v.optional(v.boolean()),
})

export const ORDER_CREDITS = ['all', 'neighbours', 'run', 'pairs'] as const
export const OrderKeySchema = v.object({
  kind: v.literal('order'), ...common,
  lane: PlaceIdSchema,
  /** "This before that": a chain of all pieces is a total order, fewer pairs leave the rest free. */
  before: v.pipe(v.array(v.strictTuple([PieceIdSchema, PieceIdSchema])), v.minLength(1), v.maxLength(400)),
  credit: v.picklist(ORDER_CREDITS),
})

export const SlotsKeySchema = v.object({
  kind: v.literal('slots'), ...common,
  /** What each slot accepts. A cell of a grid is named "place:row,column", both counted from 0; a gap "place:0,gap". */
  fits: v.record(v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{1,40}(:\d{1,2},\d{1,2})?$/)), PiecesSchema),
  /** Slots that may change places with each other, such as the two factors of a product. */
  alike: v.optional(v.pipe(v.array(v.pipe(v.array(storedText(90)), v.minLength(2))), v.maxLength(50))),
})

export const MatchKeySchema = v.object({
  kind: v.literal('match'), ...common,
  /** What belongs together: a word, its meaning, its picture. No piece is in two sets. */
  sets: v.pipe(v.array(v.pipe(v.array(PieceIdSchema), v.minLength(2), v.maxLength(20))), v.minLength(1), v.maxLength(60)),
  /** Where they are brought together: in one of these zones or lanes, or in one row of one of these grids. None: wherever they touch. */
  where: PlacesSchema,
})

export const TotalKeySchema = v.object({
  kind: v.literal('total'), ...common,
  place: PlaceIdSchema,
  target: AmountSchema,
  /** As few tiles as can be: no smaller ones left that make one of the next size. */
  standardForm: v.optional(v.boolean()),
  /** Exactly so many tiles. */
  tiles: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000))),
  /** Further places that must make the target too, each in a way of its own. */
  ways: v.optional(PlacesSchema),
})

export const BalanceKeySchema = v.object({
  kind: v.literal('balance'), ...common, left: PlaceIdSchema, right: PlaceIdSchema,
  /** What the x on the tiles is worth. */
  unknown: v.optional(QuantitySchema),
  /** Right only once a single x stands alone on one side. */
  solve: v.optional(v.boolean()),
})

export const ExpressionKeySchema = v.object({
  kind: v.literal('expression'), ...common,
  place: PlaceIdSchema,
  target: PolynomialSchema,
  /** The tiles must fill a rectangle, or a square, without gaps: its sides are the factors. */
  as: v.optional(v.picklist(['rectangle', 'square'])),
})

export const ScaleKeySchema = v.object({
  kind: v.literal('scale'), ...common,
  scale: PlaceIdSchema,
  values: v.record(PieceIdSchema, QuantitySchema),
  /** How far off still counts, in units of the scale. */
  tolerance: QuantitySchema,
})

export const LabelKeySchema = v.object({
  kind: v.literal('label'), ...common,
  /** The pins that each label may point at. */
  pins: v.record(PieceIdSchema, PlacesSchema),
})

const CellSchema = v.pipe(v.string(), v.regex(/^\d{1,2},\d{1,2}$/))
export const CoverKeySchema = v.object({
  kind: v.literal('cover'), ...common,
  grid: PlaceIdSchema,
  /** The cells to cover, as "row,column" from 0. */
  cells: v.pipe(v.array(CellSchema), v.maxLength(1600)),
  /** Instead of certain cells: a full block of so many rows and columns, wherever on the grid. */
  array: v.optional(v.object({ rows: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(40)), columns: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(40)) })),
})

export const ArrowsKeySchema = v.object({
  kind: v.literal('arrows'), ...common,
  arrows: v.pipe(v.array(v.strictTuple([PieceIdSchema, PieceIdSchema])), v.minLength(1), v.maxLength(400)),
  /** Which end has the point makes no difference. */
  bothWays: v.optional(v.boolean()),
})

/** What counts as right in a writing space, or in a gap ("place:gap", counted from 0). */
const WrittenSchema = v.object({
  /** In all their variants; of numbers any form of the same value is accepted. */
  accepts: v.pipe(v.array(storedText(300)), v.minLength(1), v.maxLength(40)),
  /** Numbers and amounts: how far off still counts. */
  tolerance: v.optional(AmountSchema),
  /** Told apart only where it is said. */
  capitals: v.optional(v.boolean()),
  accents: v.optional(v.boolean()),
  punctuation: v.optional(v.boolean()),
})
export const WriteKeySchema = v.object({
  kind: v.literal('write'), ...common,
  answers: v.record(v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{1,40}(:\d{1,2})?$/)), WrittenSchema),
})

export const InkKeySchema = v.object({
  kind: v.literal('ink'), ...common,
  place: PlaceIdSchema,
  task: v.variant('what', [
    /** Lines of symmetry of each figure: one of them, or all. */
    v.object({ what: v.literal('symmetry'), figures: v.pipe(FiguresSchema, v.minLength(1)), find: v.picklist(['one', 'all']) }),
    /** A ring around each answer, and around nothing else. */
    v.object({ what: v.literal('circle'), figures: v.pipe(FiguresSchema, v.minLength(1)), answers: v.pipe(FiguresSchema, v.minLength(1)) }),
    /** Lines that join what belongs together. */
    v.object({ what: v.literal('join'), pairs: v.pipe(v.array(v.strictTuple([FigureIdSchema, FigureIdSchema])), v.minLength(1), v.maxLength(100)) }),
  ]),
})

/** Counted, never scored: how many pieces lie in each place. */
export const VoteKeySchema = v.object({ kind: v.literal('vote'), ...common, places: v.pipe(PlacesSchema, v.minLength(1)) })
/** Summed up, never scored: where on a from-to scale each piece stands. */
export const SpectrumKeySchema = v.object({ kind: v.literal('spectrum'), ...common, scale: PlaceIdSchema, pieces: v.pipe(PiecesSchema, v.minLength(1)) })

export const KeySchema = v.variant('kind', [
  SortKeySchema, OrderKeySchema, SlotsKeySchema, MatchKeySchema, TotalKeySchema, BalanceKeySchema, ExpressionKeySchema, ScaleKeySchema,
  LabelKeySchema, CoverKeySchema, ArrowsKeySchema, WriteKeySchema, InkKeySchema, VoteKeySchema, SpectrumKeySchema,
])

export type SortKey = v.InferOutput<typeof SortKeySchema>
export type OrderKey = v.InferOutput<typeof OrderKeySchema>
export type SlotsKey = v.InferOutput<typeof SlotsKeySchema>
export type MatchKey = v.InferOutput<typeof MatchKeySchema>
export type TotalKey = v.InferOutput<typeof TotalKeySchema>
export type BalanceKey = v.InferOutput<typeof BalanceKeySchema>
export type ExpressionKey = v.InferOutput<typeof ExpressionKeySchema>
export type ScaleKey = v.InferOutput<typeof ScaleKeySchema>
export type LabelKey = v.InferOutput<typeof LabelKeySchema>
export type CoverKey = v.InferOutput<typeof CoverKeySchema>
export type ArrowsKey = v.InferOutput<typeof ArrowsKeySchema>
export type WriteKey = v.InferOutput<typeof WriteKeySchema>
export type Written = v.InferOutput<typeof WrittenSchema>
export type InkKey = v.InferOutput<typeof InkKeySchema>
export type VoteKey = v.InferOutput<typeof VoteKeySchema>
export type SpectrumKey = v.InferOutput<typeof SpectrumKeySchema>
export type Key = v.InferOutput<typeof KeySchema>
