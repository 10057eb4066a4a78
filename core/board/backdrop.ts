import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { BoxSchema, PointSchema, ShapeSchema, SizeSchema } from '../geometry/shape'
import { ClipSchema, LinkSchema, MOST_CLIPS } from './clip'
import { ColourSchema } from './colour'
import { FigureIdSchema, FileHashSchema } from './ids'

export const RULING_KINDS = ['none', 'squares', 'dots', 'lines', 'handwriting', 'isometric', 'axes', 'staves'] as const
/**
 * What is ruled, and how far apart in points; `core/layout/ruling.ts` says between which lines that is, for each kind.
 */
const RulingSchema = v.object({
  kind: v.picklist(RULING_KINDS),
  spacing: v.pipe(SizeSchema, v.minValue(4), v.maxValue(200)),
})

const SideSchema = v.pipe(v.number(), v.minValue(0), v.maxValue(0.97))

const BackdropPictureSchema = v.object({
  id: v.pipe(storedText(40), v.minLength(1)),
  file: FileHashSchema,
  ...BoxSchema.entries,
  /** Size of the stored picture in its own pixels: preflight tells from it what will look coarse or stretched. */
  pixelWidth: v.pipe(v.number(), v.integer(), v.minValue(1)),
  pixelHeight: v.pipe(v.number(), v.integer(), v.minValue(1)),
  alt: storedText(300),
  /** Quarters of a turn clockwise from how the picture was stored; its box is the box of the turned picture. */
  quarters: v.optional(v.picklist([1, 2, 3])),
  /** What is cut off at each side as the picture lies, as a share of the whole picture. */
  crop: v.optional(
    v.pipe(
      v.object({ left: SideSchema, top: SideSchema, right: SideSchema, bottom: SideSchema }),
      v.check(
        crop => crop.left + crop.right < 0.98 && crop.top + crop.bottom < 0.98,
        'Something of the picture must be left',
      ),
    ),
  ),
})

/**
 * A fixed shape with fixed words in it: a heading, a block of instructions, or what is drawn round, across or between.
 */
const FigureSchema = v.object({
  id: FigureIdSchema,
  shape: ShapeSchema,
  /** Null for none. */
  line: v.nullable(ColourSchema),
  fill: v.nullable(ColourSchema),
  text: storedText(1000),
  textSize: v.pipe(v.number(), v.minValue(6), v.maxValue(96)),
  bold: v.optional(v.boolean()),
  /** Words start at the left, from the top; absent: in the middle. */
  fromLeft: v.optional(v.boolean()),
  /** What it is called where it has no words. */
  name: v.optional(storedText(80)),
})

/** A fixed line or arrow. */
const LineSchema = v.object({
  id: FigureIdSchema,
  from: PointSchema,
  to: PointSchema,
  colour: ColourSchema,
  /** Points. */
  thickness: v.pipe(v.number(), v.minValue(0.25), v.maxValue(40)),
  points: v.picklist(['none', 'one', 'both']),
  dashed: v.optional(v.boolean()),
})

export const BackdropSchema = v.object({
  colour: ColourSchema,
  ruling: RulingSchema,
  pictures: v.pipe(v.array(BackdropPictureSchema), v.maxLength(40)),
  figures: v.optional(v.pipe(v.array(FigureSchema), v.maxLength(100))),
  lines: v.optional(v.pipe(v.array(LineSchema), v.maxLength(100))),
  clips: v.optional(v.pipe(v.array(ClipSchema), v.maxLength(MOST_CLIPS))),
  links: v.optional(v.pipe(v.array(LinkSchema), v.maxLength(MOST_CLIPS))),
})

export type Backdrop = v.InferOutput<typeof BackdropSchema>
export type BackdropPicture = v.InferOutput<typeof BackdropPictureSchema>
export type Line = v.InferOutput<typeof LineSchema>
export type Figure = v.InferOutput<typeof FigureSchema>
export type Ruling = v.InferOutput<typeof RulingSchema>
