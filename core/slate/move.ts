import type { Edition } from '../board/edition'
import { refuse, type Result } from '../result'
import { isStudent, type Actor } from './actor'
import { changedThings, thingOf, withHands, type ThingName } from './hands'
import { asGivenOut, refusalForResult, withRoom } from './limits'
import { arrange } from './moves/arrange'
import { connect } from './moves/connect'
import { disconnect } from './moves/disconnect'
import { draw } from './moves/draw'
import { edit, withoutStale } from './moves/edit'
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
import type { MoveRefusal, Operation } from './operation'
import { notTheirs } from './ownership'
import { outsidePart } from './parts'
import { isToRead } from './reading'
import type { SlateState } from './state'

export type { Move, MoveKind, MoveOf } from './moveSchema'

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

export interface Making {
  readonly edition: Edition
  /** Whose hand it is, and which part is theirs. */
  readonly actor: Actor
  /** The number that the move has, or will have, in its slate; without one it comes after all that have. */
  readonly number?: number
}

/**
 * The slate after the move, or why it can't be made: what the board doesn't have or allow, what is outside the actor's
 * part, or more than a slate holds. Never throws for a move that the schema lets through.
 */
export function apply(
  state: SlateState,
  move: Move,
  { edition, actor, number = Infinity }: Making,
): Result<SlateState, MoveRefusal> {
  const operation = operationFor(move)
  const result = operation.apply(state, move, edition)
  if (!result.ok || result.value === state) return result
  const changed = thingsOf(state, move, result.value)
  const roomy = withoutStale(withRoom(state, asGivenOut(result.value, changed, edition)), changed)
  const refusal = refusalForResult(state, roomy, changed, edition)
  if (refusal) return refuse(refusal)
  const others = notTheirs({ before: state, after: result.value, changed, actor, edition })
  if (others !== undefined) return refuse({ code: 'not-allowed', item: thingOf(others).id })
  // Starting again lays things where they were given out, on any page.
  const read =
    move.kind === 'start-again' ? undefined : changed.find(name => isToRead([state, result.value], name, edition))
  if (read !== undefined) return refuse({ code: 'not-allowed', item: thingOf(read).id })
  // Starting again goes by its own rule: it spares what is somebody else's.
  if (
    move.kind === 'start-again'
      ? !startsOwnPart(move, actor)
      : outsidePart({ before: state, after: result.value, changed, edition, actor })
  ) {
    return refuse({ code: 'not-your-part', item: changed[0] ?? '' })
  }
  return {
    ok: true,
    value: withHands({ was: state, state: roomy, things: changed, author: actor.author, number, edition }),
  }
}

const startsOwnPart = ({ part, by, mine, everybody }: StartAgain, actor: Actor) =>
  !(everybody && isStudent(actor.author))
  && (actor.part === 'all' || part === actor.part)
  && (by === undefined || by === actor.author)
  && (!actor.several || !isStudent(actor.author) || (!!mine && by === actor.author))

/** What the move changed, by name. */
function thingsOf(before: SlateState, move: Move, after: SlateState): readonly ThingName[] {
  return operationFor(move).things?.(move) ?? changedThings(before, after)
}

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
