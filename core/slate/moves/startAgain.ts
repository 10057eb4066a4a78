import * as v from 'valibot'
import { ok } from '../../result'
import type { Operation } from '../operation'
import { startOf, type SlateState } from '../state'

/**
 * The slate is as it was given out: pieces go back, what was written, drawn and joined is gone. The backdrop and the
 * places are not the slate's to touch. Ink is only rubbed out, so that all of it can be taken back by one small move.
 */
export const StartAgainSchema = v.object({ kind: v.literal('start-again') })
export type StartAgain = v.InferOutput<typeof StartAgainSchema>

export const startAgain: Operation<'start-again', StartAgain> = {
  kind: 'start-again',
  schema: StartAgainSchema,
  apply: (state, _, edition) => ok({ ...startOf(edition), strokes: withStrokes(state.strokes, new Set()) }),
  invert: before => ({ kind: 'restore', ...workOf(before) }),
}

/** The strokes with only those named to be seen. */
export function withStrokes(all: SlateState['strokes'], seen: ReadonlySet<string>): SlateState['strokes'] {
  return Object.fromEntries(Object.entries(all).map(([id, { place, points }]) => [id, { place, points, ...(!seen.has(id) && { gone: true as const }) }]))
}

/** A whole slate as a `restore` says it. */
export function workOf({ pieces, texts, arrows, strokes }: SlateState) {
  return { pieces, texts, arrows, strokes: Object.keys(strokes).filter(id => !strokes[id]!.gone) }
}
