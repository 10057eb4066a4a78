import * as v from 'valibot'
import type { Edition } from '../../board/edition'
import { MOST_PARTS } from '../../board/whatPlacesTake'
import type { PieceId } from '../../board/ids'
import { besideOf } from '../beside'
import { AuthorSchema, HOLDER, mayTouch, type Author } from '../actor'
import { isAlone, thingName, thingOf, type ThingName } from '../hands'
import type { Operation } from '../operation'
import { placesOf } from '../parts'
import { startOf, type SlateState } from '../state'
import { goneOr } from './own'
import { revert, revertTo } from './revert'

/**
 * The slate is as it was given out: pieces go back, what was written, drawn and joined is gone. The backdrop and the
 * places are not the slate's to touch. Ink is only rubbed out, so that all of it can be taken back by one small move.
 * With a part: what lies in a part that is somebody else's stays as it is. What others have made stays, unless it is
 * for everybody.
 */
export const StartAgainSchema = v.object({
  kind: v.literal('start-again'),
  part: v.optional(
    v.union([v.literal('none'), v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_PARTS))]),
  ),
  /** Whose own things go; without, those of the only student. */
  by: v.optional(AuthorSchema),
  /** On a slate of several: only what nobody but this author has ever touched. */
  mine: v.optional(v.literal(true)),
  /** Whoever leads the lesson clears all of it, own things of everybody included. */
  everybody: v.optional(v.literal(true)),
})
export type StartAgain = v.InferOutput<typeof StartAgainSchema>

export const startAgain: Operation<'start-again', StartAgain> = {
  kind: 'start-again',
  things: null,
  check: () => null,
  perform: startedAgain,
  invert: (before, move, edition) => revertTo(before, startedAgain(before, move, edition)),
}

/** The slate after starting again; asked before it is done, too, to say what it takes back. */
export function startedAgain(
  state: SlateState,
  { part, by = HOLDER.author, mine, everybody }: Omit<StartAgain, 'kind'>,
  edition: Edition,
): SlateState {
  // What is written beside the pages is thought, not laid; and hints that were seen stay seen.
  const beside = Object.fromEntries(
    Object.entries(state.texts).filter(([name]) => besideOf(name) && !edition.pieces.get(name as PieceId)),
  )
  const cleared: SlateState = {
    ...startOf(edition),
    texts: beside,
    hints: state.hints,
    strokes: withStrokes(state.strokes, new Set()),
    own: withoutThoseOf(state.own, everybody ? null : by),
    ...(state.hands && { hands: state.hands }),
  }
  if (part === undefined && !mine) return cleared
  const inOthersPart = (name: ThingName) =>
    part !== undefined
    && [state, cleared].some(s => placesOf(s, name, edition).some(place => !mayTouch(place, { part })))
  // A note goes with the words on it, or stays with them.
  const isOthers = (name: ThingName) =>
    inOthersPart(name)
    || (!!mine
      && !(isAlone(state, name, by) && (!writtenOn(state, name) || isAlone(state, writtenOn(state, name)!, by))))
  const back = revertTo(state, cleared)
  const spared = revert.limitedTo!(back, isOthers)
  return spared ? revert.perform(cleared, spared, edition) : cleared
}

/** What somebody wrote on this piece; null where there is nothing. */
function writtenOn(state: SlateState, name: ThingName): ThingName | null {
  const { thing, id } = thingOf(name)
  return thing === 'piece' && state.texts[id] ? thingName('text', id) : null
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

/** Without what this author has made, or anybody. */
const withoutThoseOf = (all: SlateState['own'], by: Author | null): SlateState['own'] =>
  Object.fromEntries(
    Object.entries(all).map(([id, thing]) => [
      id,
      (by === null || thing.by === by) && !thing.hidden ? goneOr(thing, true) : thing,
    ]),
  )
