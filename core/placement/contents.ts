import type { PieceId, PlaceId } from '../board/ids'
import type { Lane } from '../board/place'
import type { Certainty, Placement, Share } from './placement'

export interface Held { readonly piece: PieceId, readonly share: Share, readonly centre: { x: number, y: number } }

/** What lies in a place, surely or perhaps, in the order of the placements. */
export function contentsOf(place: PlaceId, placements: readonly Placement[], certainty?: Certainty): Held[] {
  return placements.flatMap((placement) => {
    const share = placement.shares.find(s => s.place === place && (!certainty || s.certainty === certainty))
    return share && placement.at === 'page' ? [{ piece: placement.piece, share, centre: placement.centre }] : []
  })
}

/**
 * What surely lies in a lane, in reading order: a row from left to right (or from the right where it says so), several
 * rows from the top; a column from the top, several columns from the left. Pieces belong to one row when their centres
 * are less than `reach` points apart across it. Pieces at one spot keep the order of the placements.
 */
export function laneOrder(lane: Lane, placements: readonly Placement[], reach: number): PieceId[] {
  const row = lane.direction === 'row'
  const across = ({ centre }: Held) => row ? centre.y : centre.x
  const along = ({ centre }: Held) => row ? (lane.fromRight ? -centre.x : centre.x) : centre.y
  const left = contentsOf(lane.id, placements, 'in').toSorted((a, b) => across(a) - across(b))
  const order: Held[] = []
  while (left.length) {
    const first = across(left[0]!)
    const inRow = left.filter(held => across(held) - first < reach)
    left.splice(0, inRow.length)
    order.push(...inRow.toSorted((a, b) => along(a) - along(b)))
  }
  return order.map(held => held.piece)
}
