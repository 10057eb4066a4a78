import type { Edition } from '../../core/board/edition'
import { ok, refuse, type Result } from '../../core/result'
import type { Actor, Author } from '../../core/slate/actor'
import { undoOf } from '../../core/slate/history'
import { apply, invert, type Move } from '../../core/slate/move'
import { knowTexts } from '../../core/slate/withTexts'
import { opennessTo, whyShut, type Openness } from '../../core/slate/status'
import type { SlateState } from '../../core/slate/state'
import { stamped } from '../../core/slate/version'
import type { NumberedMove, SentEnvelope } from '../../core/sync/messages'
import type { RefusalCode } from '../../core/sync/refusals'

knowTexts()

/** A move as it is stored. */
export interface StoredMove extends NumberedMove {
  readonly inverse: Move | null
}

/** All that a process knows of a slate; right as long as the database has the same number and epoch. */
export interface Known {
  readonly id: string
  readonly handout: string
  readonly number: number
  readonly epoch: number
  readonly state: SlateState
  readonly edition: Edition
  readonly editionHash: string
  readonly openness: Openness
  /** The last moves, for those that are sent again or taken back. */
  readonly recent: readonly StoredMove[]
}

const RECENT = 16

/** What becomes of one move. One that the server has already comes back with the number it has. */
export type Outcome =
  | { readonly ok: true; readonly move: NumberedMove; readonly fresh: boolean }
  | { readonly ok: false; readonly code: RefusalCode }

/** Moves of before that the ones at hand refer to: by their own id, or by the id of the one they take back. */
export interface Earlier {
  readonly byId: (id: string) => StoredMove | undefined
  readonly undone: (id: string) => boolean
}

export interface Worked {
  readonly known: Known
  readonly fresh: readonly StoredMove[]
  readonly outcomes: readonly Outcome[]
}

/** Takes a message's moves, one after the other, onto what is known of the slate. Nothing is stored yet. */
export function work({
  known,
  envelopes,
  actor,
  earlier,
  at,
}: {
  readonly known: Known
  readonly envelopes: readonly SentEnvelope[]
  readonly actor: Actor
  readonly earlier: Earlier
  readonly at: string
}): Worked {
  const fresh: StoredMove[] = []
  let state = known.state
  const outcomes = envelopes.map((envelope): Outcome => {
    const same = fresh.find(m => m.id === envelope.id) ?? earlier.byId(envelope.id)
    if (same) return { ok: true, move: numbered(same), fresh: false }
    const shut = whyShut(opennessTo(actor.author, known.openness))
    if (shut) return { ok: false, code: shut }
    const number = known.number + fresh.length + 1
    const move = meant(envelope, { state, author: actor.author, fresh, earlier })
    if (!move.ok) return { ok: false, code: move.reason }
    const result = apply(state, move.value, { edition: known.edition, actor, number })
    if (!result.ok) return { ok: false, code: result.reason.code }
    const stored: StoredMove = {
      id: envelope.id,
      move: stamped(move.value),
      number,
      by: actor.author,
      at,
      ...(envelope.undoes !== undefined && { undoes: envelope.undoes }),
      inverse: envelope.undoes === undefined ? invert(state, move.value, known.edition) : null,
    }
    state = result.value
    fresh.push(stored)
    return { ok: true, move: numbered(stored), fresh: true }
  })
  if (fresh.length === 0) return { known, fresh, outcomes }
  const openness =
    known.openness.status === 'not-opened' ? { ...known.openness, status: 'under-way' as const } : known.openness
  const next = {
    ...known,
    state,
    openness,
    number: known.number + fresh.length,
    recent: [...known.recent, ...fresh].slice(-RECENT),
  }
  return { known: next, fresh, outcomes }
}

/** What is sent as a move, or what is left of a move of one's own that is to be taken back. */
function meant(
  { move, undoes }: SentEnvelope,
  {
    state,
    author,
    fresh,
    earlier,
  }: { state: SlateState; author: Author; fresh: readonly StoredMove[]; earlier: Earlier },
): Result<Move, RefusalCode> {
  if (undoes === undefined) return move ? ok(move) : refuse('malformed')
  const target = fresh.find(m => m.id === undoes) ?? earlier.byId(undoes)
  const mayBe =
    target
    && target.by === author
    && target.undoes === undefined
    && !fresh.some(m => m.undoes === undoes)
    && !earlier.undone(undoes)
  const back = mayBe ? undoOf(target, author, state) : null
  return back ? ok(back) : refuse('nothing-to-undo')
}

const numbered = ({ id, move, undoes, number, by, at }: StoredMove): NumberedMove => ({
  id,
  move,
  number,
  by,
  at,
  ...(undoes !== undefined && { undoes }),
})
