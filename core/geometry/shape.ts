import * as v from 'valibot'

/** Far enough for any poster, near enough that sums stay exact to well under a hundredth of a point. */
const FARTHEST = 20_000

export const LengthSchema = v.pipe(v.number(), v.finite(), v.minValue(-FARTHEST), v.maxValue(FARTHEST))
export const SizeSchema = v.pipe(v.number(), v.finite(), v.gtValue(0), v.maxValue(FARTHEST))

export const PointSchema = v.object({ x: LengthSchema, y: LengthSchema })
export const BoxSchema = v.object({ x: LengthSchema, y: LengthSchema, width: SizeSchema, height: SizeSchema })

// Written out: what is spread counts as doing something, so that a device which needs no schema would load it all the
// same.
export const ShapeSchema = v.variant('kind', [
  v.object({ kind: v.literal('rectangle'), x: LengthSchema, y: LengthSchema, width: SizeSchema, height: SizeSchema }),
  v.object({ kind: v.literal('ellipse'), x: LengthSchema, y: LengthSchema, width: SizeSchema, height: SizeSchema }),
  v.object({ kind: v.literal('polygon'), points: v.pipe(v.array(PointSchema), v.minLength(3), v.maxLength(400)) }),
])

/** Points (1/72 inch); x to the right, y downwards. */
export type Point = v.InferOutput<typeof PointSchema>
/** x and y are the top left corner. */
export type Box = v.InferOutput<typeof BoxSchema>
export type Shape = v.InferOutput<typeof ShapeSchema>
export interface Size {
  readonly width: number
  readonly height: number
}
