import type { Keeper } from './keep'
import type { VoteKey } from '../board/key'
import { contentsOf } from '../placement/contents'
import { itemMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/** Counts what surely lies in each place, whatever it is. Never scored: no points are given, and none are asked for. */
export function markVote(key: VoteKey, { placements }: MarkContext): ItemMark[] {
  return key.places.map(place => itemMark('place', place, 'noted', 'votes', { count: contentsOf(place, placements, 'in').length }, 0))
}

/** Every zone of the page. */
export const keepVote: Keeper<'vote'> = ({ page }) => {
  const places = page.places.filter(place => place.kind === 'zone').map(place => place.id)
  return places.length ? [{ places }] : []
}
