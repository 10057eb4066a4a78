import * as v from 'valibot'
import { ShapeSchema } from '../geometry/shape'
import { PlaceIdSchema } from './ids'

export const ZoneSchema = v.object({
  kind: v.literal('zone'),
  id: PlaceIdSchema,
  shape: ShapeSchema,
  heading: v.pipe(v.string(), v.maxLength(80)),
})

export const PlaceSchema = v.variant('kind', [ZoneSchema])

export type Zone = v.InferOutput<typeof ZoneSchema>
export type Place = v.InferOutput<typeof PlaceSchema>
