import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { SortKey } from '../board/key'
import { placePieces, type Placement } from '../placement/placement'
import type { SlateState } from '../slate/state'
import type { PieceMark } from './mark'

/**
 * Marks a sort. A piece is right when it is surely in one of its homes and in no place that isn't one;
 * wrong when no reading of its position is right; *on the line* when that hangs on a place it is only perhaps in:
 * the teacher decides. A piece outside every place is not placed. A piece that belongs nowhere is right outside
 * every place, but only on a slate where something was placed: an untouched slate earns nothing.
 */
export function markSort(key: SortKey, state: SlateState, edition: Edition): PieceMark[] {
  const page = edition.board.pages.find(({ id }) => id === key.page)
  if (!page) return []
  const placements = placePieces(state, page, edition)
  const begun = placements.some(p => p.shares.length > 0)
  return placements.flatMap((placement) => {
    const homes = key.homes[placement.piece]
    return homes ? [markPiece(placement, homes, begun)] : []
  })
}

function markPiece(placement: Placement, homes: readonly PlaceId[], begun: boolean): PieceMark {
  const { piece, shares } = placement
  const isHome = (place: PlaceId) => homes.includes(place)
  if (shares.length === 0) {
    if (homes.length === 0 && begun) return right(piece, { code: 'belongs-nowhere' })
    return { piece, verdict: 'not-placed', points: 0, of: 1, reason: { code: placement.at === 'ledge' ? 'on-ledge' : 'outside' } }
  }
  const best = shares[0]!
  const surelyElsewhere = shares.find(s => s.certainty === 'in' && !isHome(s.place))
  if (surelyElsewhere) return wrong(piece, { code: 'in-wrong-place', place: surelyElsewhere.place, share: surelyElsewhere.share, homes })
  if (homes.length === 0) {
    return { piece, verdict: 'on-the-line', points: 0, of: 1, reason: { code: 'half-in', place: best.place, share: best.share } }
  }
  const home = shares.find(s => isHome(s.place))
  if (!home) return wrong(piece, { code: 'in-wrong-place', place: best.place, share: best.share, homes })
  const doubt = shares.find(s => s.certainty === 'unsure' && !isHome(s.place))
  const surelyHome = shares.some(s => s.certainty === 'in' && isHome(s.place))
  if (surelyHome && !doubt) return right(piece, { code: 'at-home', place: home.place, share: home.share })
  return {
    piece, verdict: 'on-the-line', points: 0, of: 1,
    reason: doubt ? { code: 'between', place: home.place, other: doubt.place, share: home.share } : { code: 'half-in', place: home.place, share: home.share },
  }
}

const right = (piece: PieceId, reason: PieceMark['reason']): PieceMark => ({ piece, verdict: 'right', points: 1, of: 1, reason })
const wrong = (piece: PieceId, reason: PieceMark['reason']): PieceMark => ({ piece, verdict: 'wrong', points: 0, of: 1, reason })
