import * as v from 'valibot'
import { quantity, QuantitySchema } from '../exact/quantity'
import { BoxSchema, ShapeSchema } from '../geometry/shape'
import { PlaceIdSchema } from './ids'

const HeadingSchema = v.pipe(v.string(), v.maxLength(80))
const RectangleSchema = v.object({ kind: v.literal('rectangle'), ...BoxSchema.entries })
const common = { id: PlaceIdSchema, heading: HeadingSchema }

/** A category. Zones may overlap, as rings do. */
export const ZoneSchema = v.object({ kind: v.literal('zone'), ...common, shape: ShapeSchema })

/** An ordered row or column. Pieces in it are read in reading order; a row from the right to the left where it says so. */
export const LaneSchema = v.object({
  kind: v.literal('lane'), ...common, shape: RectangleSchema,
  direction: v.picklist(['row', 'column']),
  fromRight: v.optional(v.boolean()),
})

/** Takes one piece. */
export const SlotSchema = v.object({ kind: v.literal('slot'), ...common, shape: ShapeSchema })

/** Slots in rows and columns of equal size. */
export const GridSchema = v.object({
  kind: v.literal('grid'), ...common, shape: RectangleSchema,
  rows: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(40)),
  columns: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(40)),
})

/**
 * A number line: from `least` at the left (or the foot, where it is higher than wide) to `most`. A step of nothing
 * makes a spectrum without numbers; its ends then carry words.
 */
export const ScaleSchema = v.pipe(
  v.object({
    kind: v.literal('scale'), ...common, shape: RectangleSchema,
    least: QuantitySchema, most: QuantitySchema,
    step: v.nullable(QuantitySchema),
    ends: v.optional(v.strictTuple([HeadingSchema, HeadingSchema])),
  }),
  v.check(scale => quantity(scale.least).compare(quantity(scale.most)) < 0, 'A scale goes from less to more'),
  v.check(scale => scale.step === null || quantity(scale.step).compare(0) > 0, 'A step is more than nothing'),
)

/** A point that the tip of a label should touch, with the radius within which it does. */
export const PinSchema = v.object({
  kind: v.literal('pin'), ...common,
  shape: v.object({ kind: v.literal('ellipse'), ...BoxSchema.entries }),
})

/** A side of a balance. */
export const PanSchema = v.object({ kind: v.literal('pan'), ...common, shape: ShapeSchema })

export const PlaceSchema = v.union([ZoneSchema, LaneSchema, SlotSchema, GridSchema, ScaleSchema, PinSchema, PanSchema])

export type Zone = v.InferOutput<typeof ZoneSchema>
export type Lane = v.InferOutput<typeof LaneSchema>
export type Slot = v.InferOutput<typeof SlotSchema>
export type Grid = v.InferOutput<typeof GridSchema>
export type Scale = v.InferOutput<typeof ScaleSchema>
export type Pin = v.InferOutput<typeof PinSchema>
export type Place = v.InferOutput<typeof PlaceSchema>
