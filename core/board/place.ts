import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { quantity } from '../exact/quantity'
import { QuantitySchema } from '../exact/quantitySchema'
import { BoxSchema, ShapeSchema, SizeSchema } from '../geometry/shape'
import { PlaceIdSchema } from './ids'
import { gapsIn, MOST_GAPS, MOST_PARTS } from './whatPlacesTake'

const HeadingSchema = storedText(80)
const RectangleSchema = v.object({ kind: v.literal('rectangle'), ...BoxSchema.entries })
const common = {
  id: PlaceIdSchema,
  heading: HeadingSchema,
  /** Belongs to one member of a group, by number. */
  part: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_PARTS))),
  /** Without a ground of its own: what is printed under it shows as it is. */
  clear: v.optional(v.boolean()),
  /** The heading is heard, and not drawn: it is printed already, or would be in the way. */
  unseen: v.optional(v.boolean()),
}

/** A category. Zones may overlap, as rings do. */
export const ZoneSchema = v.object({
  kind: v.literal('zone'),
  ...common,
  shape: ShapeSchema,
  /** Students name it themselves, as in an open sort. */
  blank: v.optional(v.boolean()),
})

/**
 * An ordered row or column. Pieces in it are read in reading order; a row from the right to the left where it says so.
 */
const LaneSchema = v.object({
  kind: v.literal('lane'),
  ...common,
  shape: RectangleSchema,
  direction: v.picklist(['row', 'column']),
  fromRight: v.optional(v.boolean()),
})

/** Takes one piece. */
const SlotSchema = v.object({ kind: v.literal('slot'), ...common, shape: ShapeSchema })

/** Slots in rows and columns of equal size. */
const GridSchema = v.object({
  kind: v.literal('grid'),
  ...common,
  shape: RectangleSchema,
  rows: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(40)),
  columns: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(40)),
  /** Printed in the cells, row by row, such as the numbers of a hundred chart. */
  printed: v.optional(v.pipe(v.array(storedText(20)), v.maxLength(1600))),
})

/**
 * A number line: from `least` at the left (or the foot, where it is higher than wide) to `most`. A step of nothing
 * makes a spectrum without numbers; its ends then carry words.
 */
const ScaleSchema = v.pipe(
  v.object({
    kind: v.literal('scale'),
    ...common,
    shape: RectangleSchema,
    least: QuantitySchema,
    most: QuantitySchema,
    step: v.nullable(QuantitySchema),
    ends: v.optional(v.strictTuple([HeadingSchema, HeadingSchema])),
  }),
  v.check(scale => quantity(scale.least).compare(quantity(scale.most)) < 0, 'A scale goes from less to more'),
  v.check(scale => scale.step === null || quantity(scale.step).compare(0) > 0, 'A step is more than nothing'),
)

/** A point that the tip of a label should touch, with the radius within which it does. */
const PinSchema = v.object({
  kind: v.literal('pin'),
  ...common,
  shape: v.object({ kind: v.literal('ellipse'), ...BoxSchema.entries }),
})

/** Takes what a student types. */
const WritingSchema = v.object({
  kind: v.literal('writing'),
  ...common,
  shape: RectangleSchema,
  lines: v.picklist(['one', 'many', 'number']),
  /** Points. */
  textSize: v.pipe(v.number(), v.minValue(6), v.maxValue(96)),
})

/**
 * Sentences with gaps. Two or more underlines in a row are a gap, numbered from 0; pieces are put in, or words typed.
 */
const GapsSchema = v.pipe(
  v.object({
    kind: v.literal('gaps'),
    ...common,
    shape: RectangleSchema,
    text: v.pipe(storedText(3000), v.minLength(1)),
    textSize: v.pipe(v.number(), v.minValue(6), v.maxValue(96)),
    typed: v.boolean(),
    /** One size for all gaps, so that it tells nothing. */
    gap: v.object({ width: SizeSchema, height: SizeSchema }),
  }),
  v.check(({ text }) => gapsIn(text) > 0, 'A text with gaps has a gap: two underlines or more'),
  v.check(({ text }) => gapsIn(text) <= MOST_GAPS, `A text has at most ${MOST_GAPS} gaps`),
)

/** Takes ink. */
const DrawingSchema = v.object({ kind: v.literal('drawing'), ...common, shape: RectangleSchema })

/** A side of a balance. */
const PanSchema = v.object({ kind: v.literal('pan'), ...common, shape: ShapeSchema })

/**
 * Every kind of place. What is done with each stands in `placeTraits.ts`, which doesn't compile without one of them.
 */
const SCHEMAS = {
  zone: ZoneSchema,
  lane: LaneSchema,
  slot: SlotSchema,
  grid: GridSchema,
  scale: ScaleSchema,
  pin: PinSchema,
  pan: PanSchema,
  writing: WritingSchema,
  gaps: GapsSchema,
  drawing: DrawingSchema,
}
export type PlaceKind = keyof typeof SCHEMAS
export const PlaceSchema = v.union(Object.values(SCHEMAS))

export type Zone = v.InferOutput<typeof ZoneSchema>
export type Lane = v.InferOutput<typeof LaneSchema>
export type Slot = v.InferOutput<typeof SlotSchema>
export type Grid = v.InferOutput<typeof GridSchema>
export type Scale = v.InferOutput<typeof ScaleSchema>
export type Pin = v.InferOutput<typeof PinSchema>
export type Writing = v.InferOutput<typeof WritingSchema>
export type Gaps = v.InferOutput<typeof GapsSchema>
export type Drawing = v.InferOutput<typeof DrawingSchema>
export type Place = v.InferOutput<typeof PlaceSchema>
