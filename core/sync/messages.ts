import * as v from 'valibot'
import { MoveSchema, type Move } from '../slate/move'
import type { SlateStatus } from '../slate/status'
import type { SlateState } from '../slate/state'

/** What is said over the socket, both ways. Bigger messages than this are refused unread. */
export const LARGEST_MESSAGE = 256 * 1024
export const MOST_MOVES_A_MESSAGE = 100

const IdSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,40}$/))
const SlateIdSchema = v.pipe(v.string(), v.uuid())

/** A move as its maker sends it. The id is the maker's: sending the same one twice changes nothing. */
export const EnvelopeSchema = v.object({ id: IdSchema, move: MoveSchema, undoes: v.optional(IdSchema) })
export interface Envelope { readonly id: string, readonly move: Move, readonly undoes?: string | undefined }

export const ClientMessageSchema = v.variant('say', [
  /** Follow a slate; everything after number `since` is sent. */
  v.object({ say: v.literal('open'), slate: SlateIdSchema, since: v.pipe(v.number(), v.integer(), v.minValue(0)) }),
  v.object({ say: v.literal('close'), slate: SlateIdSchema }),
  /** Envelopes are read one by one, so that one bad move doesn't take its neighbours with it. */
  v.object({ say: v.literal('moves'), slate: SlateIdSchema, moves: v.pipe(v.array(v.unknown()), v.minLength(1), v.maxLength(MOST_MOVES_A_MESSAGE)) }),
  /** Follow every slate of a handout: the walk-round. */
  v.object({ say: v.literal('walk'), handout: SlateIdSchema }),
])
export type ClientMessage = v.InferOutput<typeof ClientMessageSchema>

/** A move that the server has ordered and stored. Numbers count from 1 in each slate, without gaps. */
export interface NumberedMove extends Envelope {
  readonly number: number
  readonly at: string
}

export const REFUSALS = [
  'malformed', 'too-big', 'too-fast', 'signed-out', 'not-yours', 'unknown-slate', 'unknown-piece', 'unknown-place', 'off-page', 'not-allowed', 'full',
  'handed-in', 'id-taken', 'trouble',
] as const
export type RefusalCode = typeof REFUSALS[number]

export type ServerMessage
  = { readonly say: 'slate', readonly slate: string, readonly number: number, readonly state: SlateState, readonly status: SlateStatus }
    | { readonly say: 'moves', readonly slate: string, readonly moves: readonly NumberedMove[] }
    | { readonly say: 'status', readonly slate: string, readonly status: SlateStatus }
    | { readonly say: 'margin', readonly slate: string }
    | { readonly say: 'walking', readonly handout: string }
    | { readonly say: 'refused', readonly slate?: string | undefined, readonly id?: string | undefined, readonly code: RefusalCode, readonly detail: string }

