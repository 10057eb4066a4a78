import type { Edition } from '../board/edition'
import type { PageId, PieceId, PlaceId } from '../board/ids'
import type { SlateState } from '../slate/state'
import { placePieces, type Placement } from './placement'

/** Where a piece lies: on the ledge, outside every place, or surely in these places, in the order of the page. */
export type Whereabouts = 'ledge' | 'outside' | readonly PlaceId[]

/** A piece that lies elsewhere after than before. */
export interface Moved {
  readonly page: PageId
  readonly piece: PieceId
  readonly from: Whereabouts
  readonly to: Whereabouts
}

/**
 * What really moved between two states of one slate: pieces that are in other places, page by page, in the order of the
 * pieces. One that was only pushed about within its places, or is unsure of the same ones, is not among them; copies
 * from a bin that came or went stand as coming from or going to the ledge.
 */
export function whatMoved(before: SlateState, after: SlateState, edition: Edition): Moved[] {
  return edition.board.pages.flatMap(page => {
    const [then, now] = [before, after].map(
      state => new Map(placePieces(state, page, edition).map(p => [p.piece, whereabouts(p)])),
    ) as [Map<PieceId, Whereabouts>, Map<PieceId, Whereabouts>]
    return [...new Set([...then.keys(), ...now.keys()])].flatMap((piece): Moved[] => {
      const [from, to] = [then.get(piece) ?? 'ledge', now.get(piece) ?? 'ledge'] as const
      return String(from) === String(to) ? [] : [{ page: page.id, piece, from, to }]
    })
  })
}

function whereabouts(placement: Placement): Whereabouts {
  if (placement.at === 'ledge') return 'ledge'
  const sure = placement.shares.filter(share => share.certainty === 'in').map(share => share.place)
  return sure.length ? sure : 'outside'
}
