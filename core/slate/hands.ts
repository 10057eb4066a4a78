import type { Author } from './actor'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import { startOf, type SlateState } from './state'

/**
 * What of a slate a move changes, by name: "piece:c0", "text:w", "stroke:s1", "arrow:a>b", "own:t1"; of hints what they
 * are for, "hint:page".
 */
export type Thing = 'piece' | 'text' | 'stroke' | 'arrow' | 'own' | 'hint'
export type ThingName = `${Thing}:${string}`
export const thingName = (thing: Thing, id: string): ThingName => `${thing}:${id}`
export function thingOf(name: ThingName): { thing: Thing; id: string } {
  const at = name.indexOf(':')
  return { thing: name.slice(0, at) as Thing, id: name.slice(at + 1) }
}

/** Who touched a thing last, in which move, and the latest move before in which somebody else did; 0 for nobody. */
export type Hand = readonly [author: Author, number: number, other: number]

/**
 * Of a thing that isn't named, only this one has touched it, or nobody. So the slate of a single student, and that is
 * most of them, carries nothing.
 */
const FIRST: Author = 'student:1'

/**
 * The slate with these things touched by the author in the move of this number. `was` is the slate before it: what
 * isn't named there and yet isn't as it was given out was touched by the first.
 */
export function withHands({
  was,
  state,
  things,
  author,
  number,
  edition,
}: {
  readonly was: SlateState
  readonly state: SlateState
  readonly things: readonly ThingName[]
  readonly author: Author
  readonly number: number
  readonly edition: Edition
}): SlateState {
  const before = state.hands
  const touched = author === FIRST ? things.filter(name => before && Object.hasOwn(before, name)) : things
  if (touched.length === 0) return state
  const hands: Record<string, Hand> = { ...before }
  for (const name of touched) {
    const hand = before && Object.hasOwn(before, name) ? before[name] : undefined
    if (hand) hands[name] = [author, number, hand[0] === author ? hand[2] : hand[1]]
    else hands[name] = [author, number, isAsGiven(was, name, edition) ? 0 : number - 1]
  }
  return { ...state, hands }
}

function isAsGiven(state: SlateState, name: ThingName, edition: Edition): boolean {
  const { thing, id } = thingOf(name)
  switch (thing) {
    case 'piece': {
      const [is, given] = [state.pieces[id as PieceId], startOf(edition).pieces[id as PieceId]]
      return is?.x === given?.x && is?.y === given?.y && is?.turn === given?.turn && !is?.flipped
    }
    case 'text':
      return !state.texts[id]
    case 'stroke':
      return !state.strokes[id]
    case 'arrow':
      return !state.arrows[id]
    case 'own':
      return !state.own[id]
    case 'hint':
      return !state.hints[id]
  }
}

/** Whether somebody else has touched the thing after the move of this number. */
export function touchedSince(state: SlateState, name: ThingName, author: Author, number: number): boolean {
  const hand = state.hands && Object.hasOwn(state.hands, name) ? state.hands[name] : undefined
  if (!hand) return author !== FIRST
  return (hand[0] === author ? hand[2] : hand[1]) > number
}

/** Whether nobody but this author has ever touched the thing. */
export function isAlone({ hands }: SlateState, name: ThingName, author: Author): boolean {
  const hand = hands && Object.hasOwn(hands, name) ? hands[name] : undefined
  return hand ? hand[0] === author && hand[2] === 0 : author === FIRST
}

/** Who touched it last. */
export const lastHand = ({ hands }: SlateState, name: ThingName): Author =>
  (hands && Object.hasOwn(hands, name) ? hands[name]?.[0] : undefined) ?? FIRST

/** All that differs between two states and can be taken back, in no particular order. */
export function changedThings(before: SlateState, after: SlateState): ThingName[] {
  const differ = <T>(thing: Thing, a: { readonly [id: string]: T }, b: { readonly [id: string]: T }) =>
    [...new Set([...Object.keys(a), ...Object.keys(b)])]
      .filter(id => a[id] !== b[id] && JSON.stringify(a[id]) !== JSON.stringify(b[id]))
      .map(id => thingName(thing, id))
  return [
    ...differ('piece', before.pieces, after.pieces),
    ...differ('text', before.texts, after.texts),
    ...differ('stroke', before.strokes, after.strokes),
    ...differ('arrow', before.arrows, after.arrows),
    ...differ('own', before.own, after.own),
  ]
}
