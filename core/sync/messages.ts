import * as v from 'valibot'
import type { Author } from '../slate/actor'
import type { Move } from '../slate/move'
import { MoveSchema } from '../slate/moveSchema'
import type { Openness } from '../slate/status'
import type { SlateState } from '../slate/state'
import { PointedSchema, type Pointed } from './pointing'
import { HereSchema, type HandHere } from './presence'
import type { RefusalCode } from './refusals'

/**
 * What is said over the socket, both ways. A message of more bytes (in UTF-8) is refused unread; whoever sends cuts
 * what it sends by this same number.
 */
export const LARGEST_MESSAGE = 192 * 1024
/**
 * What the socket itself lets through: more is never gathered in memory, and closes it. A message a little too big is
 * told so in words.
 */
export const LARGEST_FRAME = 256 * 1024
export const MOST_MOVES_A_MESSAGE = 500

const IdSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,40}$/))
/** In one case, whichever it came in: it is looked up by its letters. */
const UuidSchema = v.pipe(v.string(), v.uuid(), v.toLowerCase())

/**
 * A move as its maker sends it. The id is the maker's: sending the same one twice changes nothing. One that takes
 * another back only names it, for the server knows better than its maker what of it can still be taken back.
 */
export const EnvelopeSchema = v.pipe(
  v.object({ id: IdSchema, move: v.optional(MoveSchema), undoes: v.optional(IdSchema) }),
  v.check(
    envelope => envelope.undoes !== undefined || envelope.move !== undefined,
    'It holds neither a move nor what to take back',
  ),
)
export type SentEnvelope = v.InferOutput<typeof EnvelopeSchema>
/** A move as its maker shows it. */
export interface Envelope {
  readonly id: string
  readonly move: Move
  readonly undoes?: string | undefined
}

export const ClientMessageSchema = v.variant('say', [
  /**
   * Follow a slate; everything after number `since` is sent. `as` is who the device thinks is signed in, `edition` the
   * one it shows: a device that is wrong about either is told before it sends a move.
   */
  v.object({
    say: v.literal('open'),
    slate: UuidSchema,
    since: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(2 ** 31 - 1)),
    as: v.optional(UuidSchema),
    edition: v.optional(v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/))),
  }),
  v.object({ say: v.literal('close'), slate: UuidSchema }),
  /** Envelopes are read one by one, so that one bad move doesn't take its neighbours with it. */
  v.object({
    say: v.literal('moves'),
    slate: UuidSchema,
    moves: v.pipe(v.array(v.unknown()), v.minLength(1), v.maxLength(MOST_MOVES_A_MESSAGE)),
  }),
  /** On a slate of several: that one is here, and what one holds. It comes to the others and isn't kept. */
  v.object({ say: v.literal('here'), slate: UuidSchema, here: HereSchema }),
  /** Follow every slate of a handout: the walk-round. */
  v.object({ say: v.literal('walk'), handout: UuidSchema }),
  /** Follow what the teacher does with the class at work, without any of the slates: the class screen. */
  v.object({ say: v.literal('attend'), handout: UuidSchema }),
  /** Point at what is on the class screen; null for no longer. It comes to the other screens and isn't kept. */
  v.object({ say: v.literal('point'), handout: UuidSchema, at: v.nullable(PointedSchema) }),
])
export type ClientMessage = v.InferOutput<typeof ClientMessageSchema>

/** A move that the server has ordered and stored. Numbers count from 1 in each slate, without gaps. */
export interface NumberedMove extends Envelope {
  readonly number: number
  readonly by: Author
  readonly at: string
}

export type ServerMessage =
  | {
      readonly say: 'slate'
      readonly slate: string
      readonly number: number
      readonly state: SlateState
      readonly edition: string
      readonly openness: Openness
    }
  | { readonly say: 'moves'; readonly slate: string; readonly moves: readonly NumberedMove[] }
  | { readonly say: 'status'; readonly slate: string; readonly openness: Openness }
  /** Another edition lies under the slate now: what is shown has to be asked for anew. */
  | { readonly say: 'edition'; readonly slate: string; readonly edition: string }
  /** Whoever follows the slate should ask again whether it is theirs. */
  | { readonly say: 'members'; readonly slate: string }
  /** Who is here on a slate of several: all of them (`whole`), or those of whom something has changed. */
  | { readonly say: 'hands'; readonly slate: string; readonly hands: readonly HandHere[]; readonly whole: boolean }
  | { readonly say: 'margin'; readonly slate: string }
  /** What goes with the handout was changed: its word, its day, what it counts for. */
  | { readonly say: 'words'; readonly slate: string }
  /** It is about to be handed in by somebody else on it: what still stands in a field is sent now. */
  | { readonly say: 'closing'; readonly slate: string }
  /** Something was said beside it; a picture has come, or may be seen now. */
  | { readonly say: 'talk' | 'pictures'; readonly slate: string }
  /** What the teacher does with the class at work has changed: the timer, what is called out, the questions. */
  | { readonly say: 'lesson'; readonly handout: string }
  | { readonly say: 'point'; readonly handout: string; readonly at: Pointed | null }
  | { readonly say: 'walking'; readonly handout: string }
  | {
      readonly say: 'refused'
      readonly slate?: string | undefined
      readonly handout?: string | undefined
      readonly id?: string | undefined
      readonly code: RefusalCode
      readonly detail: string
    }
