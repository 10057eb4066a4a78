import type { Keeper } from './keep'
import type { VoteKey } from '../board/key'
import type { PlaceId } from '../board/ids'
import { within } from '../geometry/area'
import { outlined } from '../geometry/outline'
import { contentsOf } from '../placement/contents'
import { isSeen } from '../slate/own'
import { itemMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/**
 * Counts what surely lies in each place, whatever it is, and the signs that were set there by their middle; a question mark asks
 * and is no vote. Never scored: no points are given, and none are asked for.
 */
export function markVote(key: VoteKey, context: MarkContext): ItemMark[] {
  return key.places.map(place => itemMark('place', place, 'noted', 'votes', { count: contentsOf(place, context.placements, 'in').length + signsIn(place, context) }, 0))
}

function signsIn(id: PlaceId, { page, state, placeOf }: MarkContext): number {
  const place = placeOf(id)
  if (!place) return 0
  const room = outlined(place.shape)
  return Object.values(state.own).filter(thing => thing.kind === 'sign' && thing.sign !== 'question' && thing.page === page.id && isSeen(thing) && within(room.points, thing)).length
}

/** Every zone of the page. */
export const keepVote: Keeper<'vote'> = ({ page }) => {
  const places = page.places.filter(place => place.kind === 'zone').map(place => place.id)
  return places.length ? [{ places }] : []
}
