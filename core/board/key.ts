import * as v from 'valibot'
import { QuantitySchema } from '../exact/quantity'
import { KeyIdSchema, PageIdSchema, PieceIdSchema, PlaceIdSchema } from './ids'

const common = { id: KeyIdSchema, page: PageIdSchema }
const PiecesSchema = v.pipe(v.array(PieceIdSchema), v.maxLength(200))
const PlacesSchema = v.pipe(v.array(PlaceIdSchema), v.maxLength(60))

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
  /** What each slot accepts. A cell of a grid is named "place:row,column", both counted from 0. */
  fits: v.record(v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{1,40}(:\d{1,2},\d{1,2})?$/)), PiecesSchema),
  /** Slots that may change places with each other, such as the two factors of a product. */
  alike: v.optional(v.pipe(v.array(v.pipe(v.array(v.string()), v.minLength(2))), v.maxLength(50))),
})

export const TotalKeySchema = v.object({
  kind: v.literal('total'), ...common,
  place: PlaceIdSchema,
  target: QuantitySchema,
  /** As few tiles as can be: no smaller ones left that make one of the next size. */
  standardForm: v.optional(v.boolean()),
  /** Exactly so many tiles. */
  tiles: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000))),
})

export const BalanceKeySchema = v.object({ kind: v.literal('balance'), ...common, left: PlaceIdSchema, right: PlaceIdSchema })

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

export const KeySchema = v.variant('kind', [
  SortKeySchema, OrderKeySchema, SlotsKeySchema, TotalKeySchema, BalanceKeySchema, ScaleKeySchema, LabelKeySchema,
])

export type SortKey = v.InferOutput<typeof SortKeySchema>
export type OrderKey = v.InferOutput<typeof OrderKeySchema>
export type SlotsKey = v.InferOutput<typeof SlotsKeySchema>
export type TotalKey = v.InferOutput<typeof TotalKeySchema>
export type BalanceKey = v.InferOutput<typeof BalanceKeySchema>
export type ScaleKey = v.InferOutput<typeof ScaleKeySchema>
export type LabelKey = v.InferOutput<typeof LabelKeySchema>
export type Key = v.InferOutput<typeof KeySchema>
