import * as v from 'valibot'
import type { Edition } from '../board/edition'
import { refuse, type Result } from '../result'
import type { Actor } from './actor'
import { changedThings, thingOf, withHands, type ThingName } from './hands'
import { refusalForResult, withRoom } from './limits'
import { arrange, ArrangeSchema, type Arrange } from './moves/arrange'
import { connect, ConnectSchema, type Connect } from './moves/connect'
import { disconnect, DisconnectSchema, type Disconnect } from './moves/disconnect'
import { draw, DrawSchema, type Draw } from './moves/draw'
import { hint, HintSchema, type Hint } from './moves/hint'
import { own, OwnMoveSchema, type OwnMove } from './moves/own'
import { put, PutSchema, type Put } from './moves/put'
import { restore, RestoreSchema, type Restore } from './moves/restore'
import { revert, RevertSchema, type Revert } from './moves/revert'
import { rub, RubSchema, type Rub } from './moves/rub'
import { shelve, ShelveSchema, type Shelve } from './moves/shelve'
import { startAgain, StartAgainSchema, type StartAgain } from './moves/startAgain'
import { turn, TurnSchema, type Turn } from './moves/turn'
import { undraw, UndrawSchema, type Undraw } from './moves/undraw'
import { write, WriteSchema, type Write } from './moves/write'
import type { MoveRefusal, Operation } from './operation'
import { notTheirs } from './ownership'
import { outsidePart } from './parts'
import { isToRead } from './reading'
import type { SlateState } from './state'

/** All that can be done on a slate. There is no word here for a backdrop, a place or somebody else's slate. */
export type Move = Put | Shelve | Arrange | Turn | Write | Draw | Undraw | Rub | Connect | Disconnect | OwnMove | Hint | StartAgain | Restore | Revert
export const MoveSchema: v.GenericSchema<unknown, Move> = v.variant('kind', [
  PutSchema, ShelveSchema, ArrangeSchema, TurnSchema, WriteSchema, DrawSchema, UndrawSchema, RubSchema, ConnectSchema, DisconnectSchema, OwnMoveSchema, HintSchema, StartAgainSchema,
  RestoreSchema, RevertSchema,
])

type Registry = { readonly [Kind in Move['kind']]: Operation<Kind, Extract<Move, { kind: Kind }>> }
const operations: Registry = { put, shelve, arrange, turn, write, draw, undraw, rub, connect, disconnect, own, hint, 'start-again': startAgain, restore, revert }

// A move's kind picks its own operation; TypeScript can't follow that pairing through the lookup.
const operationFor = (move: Move) => operations[move.kind] as unknown as Operation<string, Move>

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
export function apply(state: SlateState, move: Move, { edition, actor, number = Infinity }: Making): Result<SlateState, MoveRefusal> {
  const operation = operationFor(move)
  const result = operation.apply(state, move, edition)
  if (!result.ok || result.value === state) return result
  const changed = thingsOf(state, move, result.value)
  const roomy = withRoom(state, result.value)
  const refusal = refusalForResult(state, roomy, changed, edition)
  if (refusal) return refuse(refusal)
  const others = notTheirs(state, result.value, changed, actor)
  if (others !== undefined) return refuse({ code: 'not-allowed', item: thingOf(others).id })
  // Starting again lays things where they were given out, on any page.
  const read = move.kind === 'start-again' ? undefined : changed.find(name => isToRead([state, result.value], name, edition))
  if (read !== undefined) return refuse({ code: 'not-allowed', item: thingOf(read).id })
  // Starting again goes by its own rule: it spares what is somebody else's.
  if (move.kind === 'start-again' ? !startsOwnPart(move, actor) : outsidePart(state, result.value, changed, edition, actor)) {
    return refuse({ code: 'not-your-part', item: changed[0] ?? '' })
  }
  return { ok: true, value: withHands(roomy, changed, actor.author, number) }
}

const startsOwnPart = ({ part, by }: StartAgain, actor: Actor) => (actor.part === 'all' || part === actor.part) && (by === undefined || by === actor.author)

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
