import type { Edition } from '../board/edition'
import { HOLDER, type Actor } from '../slate/actor'
import type { HistoryStep } from '../slate/history'
import { apply, invert, isKnown, perform } from '../slate/move'
import { PieceRing } from '../slate/pieceRing'
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

function withPending(state: SlateState, pending: readonly Envelope[], edition: Edition, actor: Actor): SlateState {
  let shown = state
  for (const { move } of pending) {
    const result = apply(shown, move, { edition, actor })
    if (result.ok) shown = result.value
  }
  return shown
}

/** Moves made here, shown at once, in their order: only they are applied, however many are waiting already. */
export function makeMoves(
  replica: Replica,
  envelopes: readonly Envelope[],
  edition: Edition,
  actor: Actor = HOLDER,
): Replica {
  return {
    ...replica,
    pending: [...replica.pending, ...envelopes],
    shown: withPending(replica.shown, envelopes, edition, actor),
  }
}

/**
 * What was made before and hasn't arrived, with how each of it is taken back, in one go. What no longer applies waits
 * for the server's word on it like the others, and there is nothing of it to take back.
 */
export function takeUp(
  replica: Replica,
  envelopes: readonly Envelope[],
  making: { readonly edition: Edition; readonly actor: Actor },
): { readonly replica: Replica; readonly steps: HistoryStep[] } {
  const steps: HistoryStep[] = []
  const ring = new PieceRing(replica.shown.pieces)
  let shown: SlateState = { ...replica.shown, pieces: ring.pieces }
  for (const { id, move, undoes } of envelopes) {
    ring.begin()
    const result = apply(shown, move, making)
    if (!result.ok) continue
    steps.push({ id, inverse: undoes ? null : invert(shown, move, making.edition), undoes })
    shown = result.value
  }
  ring.end()
  return { replica: { ...replica, pending: [...replica.pending, ...envelopes], shown }, steps }
}

/**
 * Moves from the server, in its order; those already known are passed over, and own ones leave `pending`.
 * Returns null when a number is missing in between, or a move is of a later application than this: the caller then
 * asks for the whole slate.
 */
export function receive(
  replica: Replica,
  moves: readonly NumberedMove[],
  edition: Edition,
  actor: Actor = HOLDER,
): Replica | null {
  let { number, confirmed } = replica
  const arrived = new Set<string>()
  const fresh: NumberedMove[] = []
  for (const numbered of moves) {
    arrived.add(numbered.id)
    if (numbered.number <= number) continue
    if (numbered.number !== number + 1 || !isKnown(numbered.move)) return null
    confirmed = perform(confirmed, numbered.move, { edition, author: numbered.by, number: numbered.number })
    number = numbered.number
    fresh.push(numbered)
  }
  const pending = replica.pending.filter(({ id }) => !arrived.has(id))
  const asExpected = areNext(fresh, replica.pending) && pending.length === replica.pending.length - fresh.length
  const shown =
    pending.length === 0 ? confirmed : asExpected ? replica.shown : withPending(confirmed, pending, edition, actor)
  return { number, confirmed, pending, shown }
}

/**
 * Whether these are just what was waiting first: then what is shown is right already. Undoing, the server decides what
 * is left of it.
 */
const areNext = (fresh: readonly NumberedMove[], pending: readonly Envelope[]) =>
  fresh.every(({ id, undoes }, i) => id === pending[i]?.id && !undoes)

/** The whole slate from the server, at first or after a gap. An older one than is known is passed over. */
export function receiveWhole({
  replica,
  number,
  state,
  edition,
  actor = HOLDER,
}: {
  readonly replica: Replica
  readonly number: number
  readonly state: SlateState
  readonly edition: Edition
  readonly actor?: Actor | undefined
}): Replica {
  if (number < replica.number) return replica
  return {
    number,
    confirmed: state,
    pending: replica.pending,
    shown: withPending(state, replica.pending, edition, actor),
  }
}

/** The server won't have these moves: they are no longer pending, and what they showed is taken back. */
export function dropMoves(
  replica: Replica,
  ids: ReadonlySet<string>,
  edition: Edition,
  actor: Actor = HOLDER,
): Replica {
  const pending = replica.pending.filter(envelope => !ids.has(envelope.id))
  return { ...replica, pending, shown: withPending(replica.confirmed, pending, edition, actor) }
}
