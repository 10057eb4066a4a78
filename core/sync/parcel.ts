import { utf8Length } from '../text/stored'
import { LARGEST_MESSAGE, MOST_MOVES_A_MESSAGE, type ClientMessage, type Envelope, type SentEnvelope } from './messages'

/** What goes over the wire of a move: of one that takes another back only the names. */
export const sent = ({ id, move, undoes }: Envelope): SentEnvelope => (undoes ? { id, undoes } : { id, move })

/** Room for the message around the moves. */
const AROUND = 200

/**
 * The next message for a slate: as many of the waiting moves, from the first, as fit into one. A move that is too large
 * by itself is no message at all: it comes back as `tooBig`, and the rest waits. Null when nothing waits.
 */
export function nextParcel(
  slate: string,
  waiting: readonly Envelope[],
  most = MOST_MOVES_A_MESSAGE,
):
  | { readonly message: Extract<ClientMessage, { say: 'moves' }>; readonly ids: readonly string[] }
  | { readonly tooBig: Envelope }
  | null {
  const moves: SentEnvelope[] = []
  let bytes = AROUND
  for (const envelope of waiting.slice(0, most)) {
    const next = sent(envelope)
    bytes += utf8Length(JSON.stringify(next)) + 1
    if (bytes > LARGEST_MESSAGE) {
      if (moves.length === 0) return { tooBig: envelope }
      break
    }
    moves.push(next)
  }
  return moves.length ? { message: { say: 'moves', slate, moves }, ids: moves.map(move => move.id) } : null
}
