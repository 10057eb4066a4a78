import * as v from 'valibot'
import type { Edition } from '../../board/edition'
import { MOST_PARTS } from '../../board/place'
import { ok } from '../../result'
import { mayTouch } from '../actor'
import type { ThingName } from '../hands'
import type { Operation } from '../operation'
import { placesOf } from '../parts'
import { startOf, type SlateState } from '../state'
import { revert, revertTo } from './revert'

/**
 * The slate is as it was given out: pieces go back, what was written, drawn and joined is gone. The backdrop and the
 * places are not the slate's to touch. Ink is only rubbed out, so that all of it can be taken back by one small move.
 * With a part: what lies in a part that is somebody else's stays as it is.
 */
export const StartAgainSchema = v.object({
  kind: v.literal('start-again'),
  part: v.optional(v.union([v.literal('none'), v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_PARTS))])),
})
export type StartAgain = v.InferOutput<typeof StartAgainSchema>

export const startAgain: Operation<'start-again', StartAgain> = {
  kind: 'start-again',
  schema: StartAgainSchema,
  things: null,
  apply: (state, { part }, edition) => ok(startedAgain(state, part, edition)),
  invert: (before, { part }, edition) => revertTo(before, startedAgain(before, part, edition)),
}

function startedAgain(state: SlateState, part: StartAgain['part'], edition: Edition): SlateState {
  const cleared: SlateState = { ...startOf(edition), strokes: withStrokes(state.strokes, new Set()), ...(state.hands && { hands: state.hands }) }
  if (part === undefined) return cleared
  const isOthers = (name: ThingName) => [state, cleared].some(s => placesOf(s, name, edition).some(place => !mayTouch(place, { part })))
  const back = revertTo(state, cleared)
  const spared = revert.limitedTo!(back, isOthers)
  const kept = spared ? revert.apply(cleared, spared, edition) : ok(cleared)
  return kept.ok ? kept.value : state
}

/** The strokes with only those named to be seen. */
export function withStrokes(all: SlateState['strokes'], seen: ReadonlySet<string>): SlateState['strokes'] {
  return Object.fromEntries(Object.entries(all).map(([id, { place, points }]) => [id, { place, points, ...(!seen.has(id) && { gone: true as const }) }]))
}
