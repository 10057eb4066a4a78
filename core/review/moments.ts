import type { PieceId } from '../board/ids'
import { innermost } from '../placement/nesting'
import { placePieces } from '../placement/placement'
import type { Author } from '../slate/actor'
import type { MadeMove, Replay, Stand } from '../slate/replay'
import type { SlateState } from '../slate/state'

/**
 * A moment worth going to: how the slate stood after so many moves. *home*: a piece lies for the first time in the
 * place in which it lies in the end. *pause*: nothing was made for long before the next move. *hint*: one was looked
 * at.
 */
export type Moment =
  | { readonly kind: 'home'; readonly count: number; readonly piece: PieceId }
  | { readonly kind: 'pause'; readonly count: number; readonly milliseconds: number }
  | { readonly kind: 'hint'; readonly count: number }

type Lying = SlateState['pieces'][PieceId]

/** A pause is long beside the others of this slate, and long at all: common practice, no source. */
const TIMES_THE_MIDDLE = 4
const SHORTEST_PAUSE_MS = 20_000
const MOST_PAUSES = 5

/** The moments of a slate in their order; of those after the same move homes come first, then hints, then the pause. */
export function momentsOf(replay: Replay): Moment[] {
  const order = { home: 0, hint: 1, pause: 2 } as const
  return [...homes(replay), ...hints(replay.moves), ...pauses(replay.moves)].toSorted(
    (a, b) => a.count - b.count || order[a.kind] - order[b.kind],
  )
}

function homes(replay: Replay): Moment[] {
  const last = replay.after(replay.moves.length)
  const found = new Map<PieceId, number>()
  replay.moves.forEach(({ move }, i) => {
    if (move.kind !== 'put' || found.has(move.piece)) return
    const lies = last.state.pieces[move.piece]
    const home = lies && placeOf(last, move.piece, lies)
    // As it is turned in the end: thousands of moves are looked through without making them again.
    if (home && placeOf(last, move.piece, { ...lies, x: move.x, y: move.y }) === home) found.set(move.piece, i + 1)
  })
  return [...found].map(([piece, count]) => ({ kind: 'home', piece, count }))
}

/** The innermost place in which a piece would surely lie there; null for none. */
function placeOf({ edition, state }: Stand, piece: PieceId, lies: Lying): string | null {
  const page = edition.pieces.get(piece)?.page
  if (!page) return null
  // Alone, so that looking at one piece costs one piece.
  const placed = placePieces({ ...state, pieces: { [piece]: lies } }, page, edition)
  const one = placed.find(placement => placement.piece === piece)
  return innermost(one?.shares ?? [], page).find(share => share.certainty === 'in')?.place ?? null
}

const hints = (moves: readonly MadeMove[]): Moment[] =>
  moves.flatMap(({ move }, i): Moment[] => (move.kind === 'hint' ? [{ kind: 'hint', count: i + 1 }] : []))

function pauses(moves: readonly MadeMove[]): Moment[] {
  const spans = moves.slice(1).map((move, i) => ({ count: i + 1, milliseconds: move.at - moves[i]!.at }))
  const middle = spans.map(span => span.milliseconds).toSorted((a, b) => a - b)[Math.floor(spans.length / 2)] ?? 0
  const least = Math.max(SHORTEST_PAUSE_MS, TIMES_THE_MIDDLE * middle)
  return spans
    .filter(span => span.milliseconds >= least)
    .toSorted((a, b) => b.milliseconds - a.milliseconds)
    .slice(0, MOST_PAUSES)
    .map(span => ({ kind: 'pause', ...span }))
}

/** How many moves each hand made, the busiest first; ties in the order in which they began. */
export function handsOf(moves: readonly MadeMove[]): { readonly by: Author; readonly moves: number }[] {
  const counts = new Map<Author, number>()
  for (const { by } of moves) counts.set(by, (counts.get(by) ?? 0) + 1)
  return [...counts].map(([by, count]) => ({ by, moves: count })).toSorted((a, b) => b.moves - a.moves)
}
