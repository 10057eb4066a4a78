import type { PlaceId } from '../../board/ids'
import { within } from '../../geometry/area'
import { outlined } from '../../geometry/outline'
import { contentsOf } from '../../placement/contents'
import { isSeen } from '../../slate/own'
import type { MarkContext } from '../context'
import { kindHas, kindOfKey, pieceHas } from '../kind'
import { marksWith } from '../outcome'
import type { VoteKey } from './key'

const reasons = { votes: { doing: { count: 'number' }, codes: { votes: {} } } } as const
const mark = marksWith(reasons)

/** Counts votes. Never scored: no points are given, and none are asked for. */
export const voteKind = kindOfKey<VoteKey>()({
  reasons,
  counted: true,
  mark: (key, context) =>
    key.places.map(place =>
      mark({
        is: 'place',
        item: place,
        verdict: 'noted',
        of: 0,
        code: 'votes',
        words: { count: votesIn(place, context) },
      }),
    ),
  /** Every zone of the page. */
  keep({ page }) {
    const places = page.places.filter(place => place.kind === 'zone').map(place => place.id)
    return places.length ? [{ places }] : []
  },
  lay: null,
  suits: (page, tools) => kindHas(page, 'zone') && (pieceHas(page, 'token') || tools.includes('sign')),
  canBeDone: (_, page, tools) => page.pieces.length > 0 || tools.includes('sign'),
  answers: null,
  interchanged: null,
  alsoRight: null,
})

/**
 * What surely lies in a place, whatever it is, and the signs that were set there by their middle; a question mark asks
 * and is no vote.
 */
export const votesIn = (place: PlaceId, context: MarkContext): number =>
  contentsOf(place, context.placements, 'in').length + signsIn(place, context)

function signsIn(id: PlaceId, { page, state, placeOf }: MarkContext): number {
  const place = placeOf(id)
  if (!place) return 0
  const room = outlined(place.shape)
  return Object.values(state.own).filter(
    thing =>
      thing.kind === 'sign'
      && thing.sign !== 'question'
      && thing.page === page.id
      && isSeen(thing)
      && within(room.points, thing),
  ).length
}
