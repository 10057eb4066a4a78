import type { Edition } from '../board/edition'
import type { KeyId, PieceId, PlaceId } from '../board/ids'
import type { Key } from '../board/key'
import type { SlateState } from '../slate/state'
import { markSort } from './sort'

export const VERDICTS = ['right', 'wrong', 'on-the-line', 'not-placed'] as const
export type Verdict = typeof VERDICTS[number]

/** Why, in a form that the message catalogue puts into words. */
export type Reason
  = { readonly code: 'on-ledge' | 'outside' | 'belongs-nowhere' }
    | { readonly code: 'at-home' | 'half-in', readonly place: PlaceId, readonly share: number }
    | { readonly code: 'in-wrong-place', readonly place: PlaceId, readonly share: number, readonly homes: readonly PlaceId[] }
    | { readonly code: 'between', readonly place: PlaceId, readonly other: PlaceId, readonly share: number }

export interface PieceMark {
  readonly piece: PieceId
  readonly verdict: Verdict
  readonly points: number
  readonly of: number
  readonly reason: Reason
}

export interface KeyMark {
  readonly key: KeyId
  readonly points: number
  readonly of: number
  /** Points that the teacher has still to decide on. */
  readonly undecided: number
  readonly pieces: readonly PieceMark[]
}

/** What each key says of a slate, in the order of the keys. A board without keys gives an empty list: it is not scored. */
export function markSlate(state: SlateState, edition: Edition): KeyMark[] {
  return edition.board.keys.map(key => markKey(key, state, edition))
}

function markKey(key: Key, state: SlateState, edition: Edition): KeyMark {
  const pieces = markSort(key, state, edition)
  const sum = (value: (mark: PieceMark) => number) => pieces.reduce((total, mark) => total + value(mark), 0)
  return {
    key: key.id, pieces,
    points: sum(m => m.points), of: sum(m => m.of),
    undecided: sum(m => m.verdict === 'on-the-line' ? m.of : 0),
  }
}

/** The teacher's own word on a piece stands over the machine's. */
export type Decisions = { readonly [piece: PieceId]: 'right' | 'wrong' }

/** The marks with the teacher's decisions put over them; decisions on pieces that aren't marked change nothing. */
export function withDecisions(marks: readonly KeyMark[], decisions: Decisions): KeyMark[] {
  return marks.map((mark) => {
    const pieces = mark.pieces.map((piece) => {
      const decided = decisions[piece.piece]
      return decided ? { ...piece, verdict: decided, points: decided === 'right' ? piece.of : 0 } : piece
    })
    const sum = (value: (p: PieceMark) => number) => pieces.reduce((total, p) => total + value(p), 0)
    return { ...mark, pieces, points: sum(p => p.points), undecided: sum(p => p.verdict === 'on-the-line' ? p.of : 0) }
  })
}
