import * as v from 'valibot'
import { BoxSchema, ShapeSchema, SizeSchema } from '../geometry/shape'
import { ColourSchema } from './colour'
import { FigureIdSchema, FileHashSchema } from './ids'

export const RULING_KINDS = ['none', 'squares', 'dots', 'lines'] as const
export const RulingSchema = v.object({ kind: v.picklist(RULING_KINDS), spacing: v.pipe(SizeSchema, v.minValue(4), v.maxValue(200)) })

export const BackdropPictureSchema = v.object({
  id: v.pipe(v.string(), v.minLength(1), v.maxLength(40)),
  file: FileHashSchema,
  ...BoxSchema.entries,
  /** Size of the stored picture in its own pixels: preflight tells from it what will look coarse or stretched. */
  pixelWidth: v.pipe(v.number(), v.integer(), v.minValue(1)),
  pixelHeight: v.pipe(v.number(), v.integer(), v.minValue(1)),
  alt: v.pipe(v.string(), v.maxLength(300)),
})

/** A fixed shape, with fixed words in its middle: what is drawn round, across or between in a drawing space. */
export const FigureSchema = v.object({
  id: FigureIdSchema,
  shape: ShapeSchema,
  /** Null for none. */
  line: v.nullable(ColourSchema),
  fill: v.nullable(ColourSchema),
  text: v.pipe(v.string(), v.maxLength(300)),
  textSize: v.pipe(v.number(), v.minValue(6), v.maxValue(96)),
})

export const BackdropSchema = v.object({
  colour: ColourSchema,
  ruling: RulingSchema,
  pictures: v.pipe(v.array(BackdropPictureSchema), v.maxLength(40)),
  figures: v.optional(v.pipe(v.array(FigureSchema), v.maxLength(100))),
})

export type Backdrop = v.InferOutput<typeof BackdropSchema>
export type BackdropPicture = v.InferOutput<typeof BackdropPictureSchema>
export type Figure = v.InferOutput<typeof FigureSchema>
export type Ruling = v.InferOutput<typeof RulingSchema>
