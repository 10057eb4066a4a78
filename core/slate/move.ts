import * as v from 'valibot'
import type { Edition } from '../board/edition'
import type { Result } from '../result'
import { arrange, ArrangeSchema, type Arrange } from './moves/arrange'
import { connect, ConnectSchema, type Connect } from './moves/connect'
import { disconnect, DisconnectSchema, type Disconnect } from './moves/disconnect'
import { draw, DrawSchema, type Draw } from './moves/draw'
import { put, PutSchema, type Put } from './moves/put'
import { restore, RestoreSchema, type Restore } from './moves/restore'
import { rub, RubSchema, type Rub } from './moves/rub'
import { shelve, ShelveSchema, type Shelve } from './moves/shelve'
import { startAgain, StartAgainSchema, type StartAgain } from './moves/startAgain'
import { turn, TurnSchema, type Turn } from './moves/turn'
import { undraw, UndrawSchema, type Undraw } from './moves/undraw'
import { write, WriteSchema, type Write } from './moves/write'
import type { MoveRefusal, Operation } from './operation'
import type { SlateState } from './state'

/** All that can be done on a slate. There is no word here for a backdrop, a place or somebody else's slate. */
export type Move = Put | Shelve | Arrange | Turn | Write | Draw | Undraw | Rub | Connect | Disconnect | StartAgain | Restore
export const MoveSchema: v.GenericSchema<unknown, Move> = v.variant('kind', [
  PutSchema, ShelveSchema, ArrangeSchema, TurnSchema, WriteSchema, DrawSchema, UndrawSchema, RubSchema, ConnectSchema, DisconnectSchema, StartAgainSchema, RestoreSchema,
])

type Registry = { readonly [Kind in Move['kind']]: Operation<Kind, Extract<Move, { kind: Kind }>> }
const operations: Registry = { put, shelve, arrange, turn, write, draw, undraw, rub, connect, disconnect, 'start-again': startAgain, restore }

// A move's kind picks its own operation; TypeScript can't follow that pairing through the lookup.
const operationFor = (move: Move) => operations[move.kind] as unknown as Operation<string, Move>

/** The slate after the move, or why it can't be made. Never throws for a move that the schema lets through. */
export function apply(state: SlateState, move: Move, edition: Edition): Result<SlateState, MoveRefusal> {
  return operationFor(move).apply(state, move, edition)
}

/** The move that takes this one back; `before` is the state in which the move was made. */
export function invert(before: SlateState, move: Move): Move {
  return operationFor(move).invert(before, move) as Move
}
