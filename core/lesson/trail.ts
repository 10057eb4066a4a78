import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import { sharesOf } from '../placement/placement'
import type { Move } from '../slate/move'
import type { OnPage } from '../slate/state'

/** Where a piece came to lie: the places it is surely in, or may be in; on the ledge; or on the page outside of all. */
export interface TrailStep {
  readonly piece: PieceId
  readonly where: string
  /** Milliseconds. */
  readonly at: number
}

/** What was done last on a slate, the oldest first, as far as it tells how somebody gets on. */
export interface Trail {
  readonly steps: readonly TrailStep[]
  /** When a hint was last looked at; null for never, as far as is known. */
  readonly hintAt: number | null
}

export const LONGEST_TRAIL = 60
export const ON_LEDGE = 'ledge'
export const OUTSIDE = 'outside'
export const emptyTrail: Trail = { steps: [], hintAt: null }

/** A move as it stands in a slate's history. */
export interface MadeMove {
  readonly move: Move
  /** ISO 8601. */
  readonly at: string
}

/**
 * The trail with what was done since: pieces that were put, sent back or taken back, one step each, and hints. What is
 * written or drawn leaves none, nor does a piece that the board doesn't have any more.
 */
export function onTrail(trail: Trail, moves: readonly MadeMove[], edition: Edition): Trail {
  const steps: TrailStep[] = []
  let { hintAt } = trail
  for (const { move, at } of moves) {
    const time = Date.parse(at)
    const step = (piece: PieceId, lies: OnPage | null) => {
      const where = whereIs(piece, lies, edition)
      if (where !== null) steps.push({ piece, where, at: time })
    }
    if (move.kind === 'put') step(move.piece, move as OnPage)
    else if (move.kind === 'shelve') step(move.piece, null)
    else if (move.kind === 'arrange')
      for (const [piece, lies] of Object.entries(move.pieces)) step(piece as PieceId, lies)
    else if (move.kind === 'hint') hintAt = time
  }
  if (steps.length === 0 && hintAt === trail.hintAt) return trail
  return { steps: [...trail.steps, ...steps].slice(-LONGEST_TRAIL), hintAt }
}

function whereIs(id: PieceId, lies: Pick<OnPage, 'x' | 'y' | 'turn'> | null, edition: Edition): string | null {
  const known = edition.pieces.get(id)
  if (!known) return null
  if (!lies) return ON_LEDGE
  const shares = sharesOf(known.piece, known.master, lies, known.page)
  const sure = shares.filter(share => share.certainty === 'in')
  const best = sure.length > 0 ? sure : shares.slice(0, 1)
  return best.length > 0
    ? best
        .map(share => spotOf(share))
        .toSorted()
        .join(' ')
    : OUTSIDE
}

/** One cell, gap or value of a place is another spot than the next. */
const spotOf = ({
  place,
  cell,
}: {
  readonly place: string
  readonly cell?: { row: number; column: number } | undefined
}) => (cell ? `${place}:${cell.row},${cell.column}` : place)
