import * as v from 'valibot'
import { LengthSchema } from '../geometry/shape'

/** Where a teacher points on the class screen: on which of the things shown there, counted from 0, in page points. */
export const PointedSchema = v.strictObject({
  slate: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(1)),
  x: LengthSchema,
  y: LengthSchema,
})
export type Pointed = v.InferOutput<typeof PointedSchema>
