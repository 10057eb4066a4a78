import type { Edition } from '../board/edition'
import { ok, refuse, type Result } from '../result'
import { isStudent, type Actor, type Author } from './actor'
import { changedThings, thingOf, withHands, type ThingName } from './hands'
import { asGivenOut, refusalForResult, withRoom } from './limits'
import { arrange } from './moves/arrange'
import { connect } from './moves/connect'
import { disconnect } from './moves/disconnect'
import { draw } from './moves/draw'
import { hint } from './moves/hint'
import { own } from './moves/own'
import { put } from './moves/put'
import { restore } from './moves/restore'
import { revert } from './moves/revert'
import { rub } from './moves/rub'
import { shelve } from './moves/shelve'
import { startAgain, type StartAgain } from './moves/startAgain'
import { turn } from './moves/turn'
import { undraw } from './moves/undraw'
import { write } from './moves/write'
import type { Move, MoveKind, MoveOf } from './moveSchema'
import type { LateOperation, MoveRefusal, Operation } from './operation'
import { notTheirs } from './ownership'
import { outsidePart } from './parts'
import { isToRead } from './reading'
import type { SlateState } from './state'
import { nameOfText, withoutStale } from './texts'
import { isKnownVersion, performing, stamped, versionOf } from './version'

export type { Move, MoveKind, MoveOf } from './moveSchema'

/** Kinds of move whose work comes later to a device, which asks for it when it is needed. */
type LateKind = 'edit'
const late: { [Kind in LateKind]?: LateOperation<Kind, MoveOf<Kind>> } = {}
function lately(kind: LateKind) {
  const known = late[kind]
  if (!known) throw new Error(`what a move of the kind "${kind}" does is not known yet (learn)`)
  return known
}
/** From here on moves of this kind are checked and performed here. */
export const learn = (operation: LateOperation<LateKind, MoveOf<LateKind>>): void => {
  late[operation.kind] = operation
}

/** Letters put into a text and taken out. */
const edit: Operation<'edit', MoveOf<'edit'>> = {
  kind: 'edit',
  things: move => [nameOfText(move.in)],
  limitedTo: move => move,
  check: (...asked) => lately('edit').check(...asked),
  perform: (...asked) => lately('edit').perform(...asked),
  invert: (...asked) => lately('edit').invert(...asked),
}

/** What each move does. */
const OPERATIONS: { readonly [Kind in MoveKind]: Operation<Kind, MoveOf<Kind>> } = {
  put,
  shelve,
  arrange,
  turn,
  write,
  edit,
  draw,
  undraw,
  rub,
  connect,
  disconnect,
  own,
  hint,
  'start-again': startAgain,
  restore,
  revert,
}

// A move's kind picks its own operation; TypeScript can't follow that pairing through the lookup.
const operationFor = (move: Move) => OPERATIONS[move.kind] as unknown as Operation<string, Move>

const LATE_KINDS: ReadonlySet<MoveKind> = new Set<LateKind>(['edit'])

/** Whether it can be performed here and now; where its kind is late, it can be once that is learnt. */
export type Known = 'known' | 'late' | 'of a later application'
export function howKnown(move: Move): Known {
  if (!isKnownVersion(move)) return 'of a later application'
  return LATE_KINDS.has(move.kind) && !(move.kind in late) ? 'late' : 'known'
}
export const isKnown = (move: Move): boolean => howKnown(move) === 'known'

export interface Making {
  readonly edition: Edition
  /** Whose hand it is, and which part is theirs. */
  readonly actor: Actor
  /** The number that the move has, or will have, in its slate; without one it comes after all that have. */
  readonly number?: number
}

/**
 * The slate after a new move, or why it can't be made: what the board doesn't have or allow, what is outside the
 * actor's part, or more than a slate holds. Throws for nothing that the schema lets through but a kind that has to be
 * learnt first (`howKnown`).
 */
export function apply(
  state: SlateState,
  move: Move,
  { edition, actor, number = Infinity }: Making,
): Result<SlateState, MoveRefusal> {
  const refusal = operationFor(move).check(state, move, edition)
  if (refusal) return refuse(refusal)
  const change = changeBy(state, stamped(move), edition)
  if (change.after === state) return ok(state)
  const forbidden = refusalOf(change, move, { edition, actor })
  return forbidden ? refuse(forbidden) : ok(touched(change, { edition, author: actor.author, number }))
}

/** Whose stored move it is, and the number that it has. */
export interface Performing {
  readonly edition: Edition
  readonly author: Author
  readonly number: number
}

/**
 * The slate after a move that was taken once: nothing is asked about it any more, whatever is forbidden since. What
 * the edition or the slate doesn't have is passed over. Throws only for a move of a version that is not known yet
 * (`isKnown`).
 */
export function perform(state: SlateState, move: Move, performing: Performing): SlateState {
  const change = changeBy(state, move, performing.edition)
  return change.after === state ? state : touched(change, performing)
}

/** What a move does to a slate. */
interface Change {
  readonly before: SlateState
  /** As the move alone leaves it. */
  readonly after: SlateState
  readonly changed: readonly ThingName[]
  /** With what else follows: room made, words in one form, pieces turned as they were given out. */
  readonly settled: SlateState
}

function changeBy(before: SlateState, move: Move, edition: Edition): Change {
  const operation = operationFor(move)
  const after = performing(operation, versionOf(move))(before, move, edition)
  if (after === before) return { before, after, changed: [], settled: before }
  const changed = operation.things?.(move) ?? changedThings(before, after)
  const settled = withoutStale(withRoom(before, asGivenOut(after, changed, edition)), changed)
  return { before, after, changed, settled }
}

const touched = ({ before, settled, changed }: Change, { edition, author, number }: Performing): SlateState =>
  withHands({ was: before, state: settled, things: changed, author, number, edition })

/** Null where the slate may come out of a new move like that, and the actor may change what it changes. */
function refusalOf(
  { before, after, changed, settled }: Change,
  move: Move,
  { edition, actor }: Pick<Making, 'edition' | 'actor'>,
): MoveRefusal | null {
  const refusal = refusalForResult(before, settled, changed, edition)
  if (refusal) return refusal
  const others = notTheirs({ before, after, changed, actor, edition })
  if (others !== undefined) return { code: 'not-allowed', item: thingOf(others).id }
  // Starting again lays things where they were given out, on any page, and goes by its own rule: it spares what is
  // somebody else's.
  if (move.kind === 'start-again')
    return startsOwnPart(move, actor) ? null : { code: 'not-your-part', item: changed[0] ?? '' }
  const read = changed.find(name => isToRead([before, after], name, edition))
  if (read !== undefined) return { code: 'not-allowed', item: thingOf(read).id }
  return outsidePart({ before, after, changed, edition, actor })
    ? { code: 'not-your-part', item: changed[0] ?? '' }
    : null
}

const startsOwnPart = ({ part, by, mine, everybody }: StartAgain, actor: Actor) =>
  !(everybody && isStudent(actor.author))
  && (actor.part === 'all' || part === actor.part)
  && (by === undefined || by === actor.author)
  && (!actor.several || !isStudent(actor.author) || (!!mine && by === actor.author))

/** The move that takes this one back, or null where nothing does; `before` is the state in which the move was made. */
export function invert(before: SlateState, move: Move, edition: Edition): Move | null {
  return operationFor(move).invert(before, move, edition) as Move | null
}

/** The move about only those things for which `keep` holds; null when nothing is left of it. */
export function limitedTo(move: Move, keep: (thing: ThingName) => boolean): Move | null {
  const operation = operationFor(move)
  const things = operation.things?.(move)
  if (things?.every(keep)) return move
  return operation.limitedTo?.(move, keep) ?? null
}
