import * as v from 'valibot'
import { PlaceIdSchema } from '../../board/ids'
import { thingName } from '../hands'
import type { Operation } from '../operation'
import { withEntry, type Stroke } from '../state'
import { RubbedSchema, StrokeIdSchema, StrokePointsSchema } from '../stateSchema'

/** One stroke of ink in a drawing space. Its id is its maker's; no stroke is drawn twice. */
// Written out, for the reason that is given at `ShapeSchema`.
export const DrawSchema = v.object({
  kind: v.literal('draw'),
  stroke: StrokeIdSchema,
  place: PlaceIdSchema,
  points: StrokePointsSchema,
  gone: RubbedSchema,
})
export type Draw = v.InferOutput<typeof DrawSchema>

export const draw: Operation<'draw', Draw> = {
  kind: 'draw',
  things: ({ stroke }) => [thingName('stroke', stroke)],
  check(state, { stroke: item, place, points }, edition) {
    const known = edition.places.get(place)
    if (!known) return { code: 'unknown-place', item: place }
    if (known.place.kind !== 'drawing' || state.strokes[item]) return { code: 'not-allowed', item }
    const { width, height } = known.page
    return points.some(([x, y]) => x < 0 || y < 0 || x > width || y > height) ? { code: 'off-page', item } : null
  },
  perform(state, { stroke: item, place, points, gone }) {
    const stroke: Stroke = { place, points, ...(gone && { gone }) }
    return { ...state, strokes: withEntry(state.strokes, item, stroke) }
  },
  invert: (_, { stroke }) => ({ kind: 'undraw', stroke }),
}
