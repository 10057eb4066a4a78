import type { Edition } from '../board/edition'
import { apply } from '../slate/move'
import { emptySlate, type SlateState } from '../slate/state'
import type { Envelope, NumberedMove } from './messages'

/**
 * A client's view of one slate: what the server has confirmed, and on top of it what is still on its way.
 * `shown` is `confirmed` with `pending` applied; pending moves that no longer apply are passed over there
 * and wait for the server's word on them.
 */
export interface Replica {
  readonly number: number
  readonly confirmed: SlateState
  readonly pending: readonly Envelope[]
  readonly shown: SlateState
}

export const emptyReplica: Replica = { number: 0, confirmed: emptySlate, pending: [], shown: emptySlate }

function rebased(base: Omit<Replica, 'shown'>, edition: Edition): Replica {
  let shown = base.confirmed
  for (const { move } of base.pending) {
    const result = apply(shown, move, edition)
    if (result.ok) shown = result.value
  }
  return { ...base, shown }
}

/** A move made here, shown at once. Its caller has seen to it that it applies. */
export function makeMove(replica: Replica, envelope: Envelope, edition: Edition): Replica {
  return rebased({ ...replica, pending: [...replica.pending, envelope] }, edition)
}

/**
 * Moves from the server, in its order; those already known are passed over, and own ones leave `pending`.
 * Returns null when a number is missing in between: the caller then asks for everything after `replica.number`.
 */
export function receive(replica: Replica, moves: readonly NumberedMove[], edition: Edition): Replica | null {
  let { number, confirmed } = replica
  const arrived = new Set<string>()
  for (const numbered of moves) {
    arrived.add(numbered.id)
    if (numbered.number <= number) continue
    if (numbered.number !== number + 1) return null
    const result = apply(confirmed, numbered.move, edition)
    if (!result.ok) return null
    confirmed = result.value
    number = numbered.number
  }
  return rebased({ number, confirmed, pending: replica.pending.filter(({ id }) => !arrived.has(id)) }, edition)
}

/** The whole slate from the server, at first or after a gap. An older one than is known is passed over. */
export function receiveWhole(replica: Replica, number: number, state: SlateState, edition: Edition): Replica {
  return number < replica.number ? replica : rebased({ number, confirmed: state, pending: replica.pending }, edition)
}

/** The server won't have this move: it is no longer pending, and what it showed is taken back. */
export function dropMove(replica: Replica, id: string, edition: Edition): Replica {
  return rebased({ ...replica, pending: replica.pending.filter(envelope => envelope.id !== id) }, edition)
}
