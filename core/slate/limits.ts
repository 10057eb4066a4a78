import { MOST_PIECES } from '../board/sizes'
import type { Edition } from '../board/edition'
import { binOf } from '../board/binOf'
import type { PieceId } from '../board/ids'
import { thingOf, type ThingName } from './hands'
import type { MoveRefusal } from './operation'
import { MOST_OWN, MOST_OWN_PICTURES, type OwnOnSlate } from './own'
import {
  MOST_ARROWS,
  MOST_INK_POINTS,
  MOST_LETTERS,
  MOST_STROKES,
  withPieces,
  type OnPage,
  type SlateState,
  type Stroke,
} from './state'

/**
 * What may never come out of a move, whichever it was: a piece turned or flipped that can't be, more copies, letters,
 * ink or arrows than a slate holds. Only what the move changed is looked at; null when all of it may be.
 */
export function refusalForResult(
  before: SlateState,
  after: SlateState,
  changed: readonly ThingName[],
  edition: Edition,
): MoveRefusal | null {
  for (const name of changed) {
    const { thing, id } = thingOf(name)
    if (thing !== 'piece') continue
    const position = after.pieces[id as PieceId]
    if (position && !mayLieSo(id as PieceId, position, edition)) return { code: 'not-allowed', item: id }
  }
  const over = LIMITS.some(
    ({ of, grew, size, most }) =>
      of(after) !== of(before)
      && (grew?.(before, after, changed) ?? true)
      && size(after) > most
      && size(after) > size(before),
  )
  return over ? { code: 'full', item: changed[0] ? thingOf(changed[0]).id : '' } : null
}

/**
 * The state in which pieces that can't be turned lie as they were given out, whichever way they came back: from the
 * ledge, or from what knows no turn.
 */
export function asGivenOut(state: SlateState, changed: readonly ThingName[], edition: Edition): SlateState {
  const turned = changed.flatMap((name): [PieceId, OnPage][] => {
    const { thing, id } = thingOf(name)
    const lies = thing === 'piece' ? state.pieces[id as PieceId] : undefined
    const known = lies && !lies.turn ? edition.pieces.get(id as PieceId) : undefined
    const given = known?.page.staged?.[id as PieceId]?.turn
    return lies && given && !known?.piece.turns ? [[id as PieceId, { ...lies, turn: given }]] : []
  })
  return turned.length ? withPieces(state, turned) : state
}

/** Whether the board lets the piece be turned and flipped so. */
export function mayLieSo(id: PieceId, { turn, flipped }: OnPage, edition: Edition): boolean {
  const known = edition.pieces.get(id)
  if (!known) return !turn && !flipped
  const staged = known.page.staged?.[binOf(id) ?? id]
  const mayTurn = !!known.piece.turns || (turn ?? 0) === (staged?.turn ?? 0)
  const mayFlip = !flipped || (known.piece.kind === 'tile' && !!known.piece.other)
  return mayTurn && mayFlip
}

interface Limit {
  readonly of: (state: SlateState) => object
  readonly size: (state: SlateState) => number
  readonly most: number
  /** Where what was changed says so much quicker than counting all: whether it can have grown. */
  readonly grew?: (before: SlateState, after: SlateState, changed: readonly ThingName[]) => boolean
}
const count = (things: object) => Object.keys(things).length
const sum = <T>(things: { readonly [id: string]: T }, size: (thing: T) => number) =>
  Object.values(things).reduce((all, thing) => all + size(thing), 0)

/** Of things that stay when they are taken away, so that they can come back. */
interface Staying<Kind extends 'strokes' | 'own'> {
  readonly kind: Kind
  readonly size: (thing: SlateState[Kind][string]) => number
  readonly most: number
}
const STAYING: readonly (Staying<'strokes'> | Staying<'own'>)[] = [
  { kind: 'strokes', size: () => 1, most: MOST_STROKES },
  { kind: 'strokes', size: stroke => stroke.points.length, most: MOST_INK_POINTS },
  { kind: 'own', size: () => 1, most: MOST_OWN },
  { kind: 'own', size: own => ('text' in own ? own.text.length : 0), most: MOST_LETTERS },
  { kind: 'own', size: own => (own.kind === 'ink' ? own.points.length : 0), most: MOST_INK_POINTS },
]
// Which of the two kinds it is, the entry itself says; TypeScript can't follow that through the lookup.
const thingsIn = (state: SlateState, { kind }: (typeof STAYING)[number]) =>
  state[kind] as Readonly<Record<string, Stroke | OwnOnSlate>>
const sizeOf = (limit: (typeof STAYING)[number]) => limit.size as (thing: Stroke | OwnOnSlate) => number

/** A slate that holds more already, by an older rule, may still be made smaller. */
const LIMITS: readonly Limit[] = [
  {
    of: s => s.pieces,
    size: s => count(s.pieces),
    most: MOST_PIECES,
    grew: (before, after, changed) =>
      changed.map(thingOf).some(({ id }) => after.pieces[id as PieceId] && !before.pieces[id as PieceId]),
  },
  { of: s => s.texts, size: s => sum(s.texts, text => text.length), most: MOST_LETTERS },
  { of: s => s.arrows, size: s => count(s.arrows), most: MOST_ARROWS },
  // A picture's file stays, so those that were taken away count too.
  { of: s => s.own, size: s => sum(s.own, own => (own.kind === 'picture' ? 1 : 0)), most: MOST_OWN_PICTURES },
  ...STAYING.map((limit): Limit => ({
    of: s => s[limit.kind],
    size: s => sum(thingsIn(s, limit), sizeOf(limit)),
    most: limit.most,
  })),
]

export const holdsTooMuch = (state: SlateState): boolean => LIMITS.some(({ size, most }) => size(state) > most)

/** What a teacher has hidden can be restored, and a picture's file stays. */
const staysAnyway = (thing: Stroke | OwnOnSlate) => 'by' in thing && (thing.hidden || thing.kind === 'picture')

/**
 * The state after a move, with room made where it holds too much: things that were taken away before are forgotten, no
 * more of them than it needs, by the order of their names (so that every replica forgets the same). Where that isn't
 * enough, nothing is forgotten.
 */
export function withRoom(before: SlateState, after: SlateState): SlateState {
  return STAYING.reduce((state, limit) => {
    const things = thingsIn(state, limit)
    const size = sizeOf(limit)
    if (things === thingsIn(before, limit)) return state
    let over = sum(things, size) - limit.most
    if (over <= 0) return state
    const forgotten = new Set<string>()
    for (const id of Object.keys(things).toSorted()) {
      if (over <= 0) break
      const thing = things[id]!
      if (!thing.gone || !thingsIn(before, limit)[id]?.gone || staysAnyway(thing) || size(thing) === 0) continue
      forgotten.add(id)
      over -= size(thing)
    }
    if (over > 0) return state
    return { ...state, [limit.kind]: Object.fromEntries(Object.entries(things).filter(([id]) => !forgotten.has(id))) }
  }, after)
}
