import * as v from 'valibot'
import type { Edition } from '../board/edition'
import { refuse, type Result } from '../result'
import type { Actor } from './actor'
import { changedThings, thingOf, withHands, type ThingName } from './hands'
import { asGivenOut, refusalForResult, withRoom } from './limits'
import { arrange, ArrangeSchema } from './moves/arrange'
import { connect, ConnectSchema } from './moves/connect'
import { disconnect, DisconnectSchema } from './moves/disconnect'
import { draw, DrawSchema } from './moves/draw'
import { hint, HintSchema } from './moves/hint'
import { own, OwnMoveSchema } from './moves/own'
import { put, PutSchema } from './moves/put'
import { restore, RestoreSchema } from './moves/restore'
import { revert, RevertSchema } from './moves/revert'
import { rub, RubSchema } from './moves/rub'
import { shelve, ShelveSchema } from './moves/shelve'
import { startAgain, StartAgainSchema, type StartAgain } from './moves/startAgain'
import { turn, TurnSchema } from './moves/turn'
import { undraw, UndrawSchema } from './moves/undraw'
import { write, WriteSchema } from './moves/write'
import type { MoveRefusal, Operation } from './operation'
import { notTheirs } from './ownership'
import { outsidePart } from './parts'
import { isToRead } from './reading'
import type { SlateState } from './state'

/** All that can be done on a slate. There is no word here for a backdrop, a place or somebody else's slate. */
const MOVES = {
  'put': { schema: PutSchema, operation: put },
  'shelve': { schema: ShelveSchema, operation: shelve },
  'arrange': { schema: ArrangeSchema, operation: arrange },
  'turn': { schema: TurnSchema, operation: turn },
  'write': { schema: WriteSchema, operation: write },
  'draw': { schema: DrawSchema, operation: draw },
  'undraw': { schema: UndrawSchema, operation: undraw },
  'rub': { schema: RubSchema, operation: rub },
  'connect': { schema: ConnectSchema, operation: connect },
  'disconnect': { schema: DisconnectSchema, operation: disconnect },
  'own': { schema: OwnMoveSchema, operation: own },
  'hint': { schema: HintSchema, operation: hint },
  'start-again': { schema: StartAgainSchema, operation: startAgain },
  'restore': { schema: RestoreSchema, operation: restore },
  'revert': { schema: RevertSchema, operation: revert },
}
export type MoveKind = keyof typeof MOVES
export type Move = v.InferOutput<(typeof MOVES)[MoveKind]['schema']>
export type MoveOf<Kind extends MoveKind> = Extract<Move, { kind: Kind }>
export const MOVE_KINDS = Object.keys(MOVES) as readonly MoveKind[]
export const MoveSchema: v.GenericSchema<unknown, Move> = v.variant('kind', Object.values(MOVES).map(move => move.schema))

// Each kind's schema and operation are about moves of that kind.
MOVES satisfies { readonly [Kind in MoveKind]: { readonly operation: Operation<Kind, MoveOf<Kind>> } }

// A move's kind picks its own operation; TypeScript can't follow that pairing through the lookup.
const operationFor = (move: Move) => MOVES[move.kind].operation as unknown as Operation<string, Move>

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
  const roomy = withRoom(state, asGivenOut(result.value, changed, edition))
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
