import * as v from 'valibot'
import type { Edition } from '../../board/edition'
import { MOST_PARTS } from '../../board/whatPlacesTake'
import { ok } from '../../result'
import type { PieceId } from '../../board/ids'
import { besideOf } from '../beside'
import { AuthorSchema, HOLDER, mayTouch, type Author } from '../actor'
import type { ThingName } from '../hands'
import type { Operation } from '../operation'
import { placesOf } from '../parts'
import { startOf, type SlateState } from '../state'
import { goneOr } from './own'
import { revert, revertTo } from './revert'

/**
 * The slate is as it was given out: pieces go back, what was written, drawn and joined is gone. The backdrop and the
 * places are not the slate's to touch. Ink is only rubbed out, so that all of it can be taken back by one small move.
 * With a part: what lies in a part that is somebody else's stays as it is. What others have made stays in any case.
 */
export const StartAgainSchema = v.object({
  kind: v.literal('start-again'),
  part: v.optional(
    v.union([v.literal('none'), v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_PARTS))]),
  ),
  /** Whose own things go; without, those of the only student. */
  by: v.optional(AuthorSchema),
})
export type StartAgain = v.InferOutput<typeof StartAgainSchema>

export const startAgain: Operation<'start-again', StartAgain> = {
  kind: 'start-again',
  things: null,
  apply: (state, move, edition) => ok(startedAgain(state, move, edition)),
  invert: (before, move, edition) => revertTo(before, startedAgain(before, move, edition)),
}

function startedAgain(state: SlateState, { part, by = HOLDER.author }: StartAgain, edition: Edition): SlateState {
  // What is written beside the pages is thought, not laid; and hints that were seen stay seen.
  const beside = Object.fromEntries(
    Object.entries(state.texts).filter(([name]) => besideOf(name) && !edition.pieces.get(name as PieceId)),
  )
  const cleared: SlateState = {
    ...startOf(edition),
    texts: beside,
    hints: state.hints,
    strokes: withStrokes(state.strokes, new Set()),
    own: withoutThoseOf(state.own, by),
    ...(state.hands && { hands: state.hands }),
  }
  if (part === undefined) return cleared
  const isOthers = (name: ThingName) =>
    [state, cleared].some(s => placesOf(s, name, edition).some(place => !mayTouch(place, { part })))
  const back = revertTo(state, cleared)
  const spared = revert.limitedTo!(back, isOthers)
  const kept = spared ? revert.apply(cleared, spared, edition) : ok(cleared)
  return kept.ok ? kept.value : state
}

/** The strokes with only those named to be seen. */
export function withStrokes(all: SlateState['strokes'], seen: ReadonlySet<string>): SlateState['strokes'] {
  return Object.fromEntries(
    Object.entries(all).map(([id, { place, points }]) => [
      id,
      { place, points, ...(!seen.has(id) && { gone: true as const }) },
    ]),
  )
}

const withoutThoseOf = (all: SlateState['own'], by: Author): SlateState['own'] =>
  Object.fromEntries(
    Object.entries(all).map(([id, thing]) => [id, thing.by === by && !thing.hidden ? goneOr(thing, true) : thing]),
  )
