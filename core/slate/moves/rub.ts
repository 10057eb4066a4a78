import * as v from 'valibot'
import { thingName } from '../hands'
import type { Operation } from '../operation'
import { MOST_STROKES, type SlateState, type Stroke } from '../state'
import { StrokeIdSchema } from '../stateSchema'

/** Strokes are rubbed out, or come back. Those that aren't there are passed over. */
export const RubSchema = v.object({
  kind: v.literal('rub'),
  strokes: v.pipe(v.array(StrokeIdSchema), v.maxLength(MOST_STROKES)),
  gone: v.boolean(),
})
export type Rub = v.InferOutput<typeof RubSchema>

export const rub: Operation<'rub', Rub> = {
  kind: 'rub',
  things: ({ strokes }) => strokes.map(id => thingName('stroke', id)),
  limitedTo({ strokes, gone }, keep) {
    const kept = strokes.filter(id => keep(thingName('stroke', id)))
    return kept.length ? { kind: 'rub', strokes: kept, gone } : null
  },
  check: () => null,
  perform: (state, { strokes, gone }) => ({ ...state, strokes: rubbed(state.strokes, new Set(strokes), gone) }),
  invert(before, { strokes, gone }) {
    const changed = strokes.filter(id => before.strokes[id] && (before.strokes[id].gone ?? false) !== gone)
    return { kind: 'rub', strokes: [...new Set(changed)], gone: !gone }
  },
}

function rubbed(all: SlateState['strokes'], ids: ReadonlySet<string>, gone: boolean): Record<string, Stroke> {
  return Object.fromEntries(
    Object.entries(all).map(([id, { place, points, gone: before }]) => [
      id,
      { place, points, ...((ids.has(id) ? gone : before) && { gone: true as const }) },
    ]),
  )
}
