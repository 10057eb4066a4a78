import type { Keeper } from './keep'
import type { PieceId } from '../board/ids'
import type { OrderKey } from '../board/key'
import { contentsOf, laneOrder } from '../placement/contents'
import { itemMark, type MarkContext } from './context'
import type { ItemMark } from './mark'
import { closure, longestRun, neighboursKept, pairsKept } from './partialOrder'

/**
 * Marks what stands in a lane against "this before that"; every order that respects the pairs is right.
 * Credit: *all* is one point for the whole; *neighbours* a point for each seam that is in order; *run* a point for each
 * piece of the longest run in order; *pairs* a point for each pair of the order that is kept (for a total order
 * Kendall's count of concordant pairs: Biometrika 30, 1938). Pieces that aren't in the order are passed over. A piece on
 * the edge of the lane leaves the whole on the line. A key that contradicts itself marks nothing; preflight says so.
 */
export function markOrder(key: OrderKey, context: MarkContext): ItemMark[] {
  const lane = context.placeOf(key.lane)
  const after = closure(key.before)
  if (lane?.kind !== 'lane' || !after) return []
  const asked = new Set(after.keys())
  const reach = Math.max(...[...asked].map(id => context.edition.pieces.get(id)?.master.height ?? 0)) / 2
  const sequence = laneOrder(lane, context.placements, reach).filter(id => asked.has(id))
  const pairs = pairsKept(sequence, after)
  const credit = {
    all: { points: pairs.kept === pairs.of ? 1 : 0, of: 1 },
    neighbours: { points: neighboursKept(sequence, after), of: asked.size - 1 },
    run: { points: sequence.length > 1 ? longestRun(sequence, after) : 0, of: asked.size },
    pairs: { points: pairs.kept, of: pairs.of },
  }[key.credit]
  const words = { order: sequence.map(context.nameOf).join(', '), placed: sequence.length, count: asked.size }
  const unsure = contentsOf(lane.id, context.placements, 'unsure').filter(({ piece }) => asked.has(piece))
  if (unsure.length) return [itemMark('place', lane.id, 'on-the-line', 'order-unsure', { ...words, names: unsure.map(u => context.nameOf(u.piece)).join(', ') }, credit.of, 0)]
  if (sequence.length === 0) return [itemMark('place', lane.id, 'not-placed', 'empty', words, credit.of)]
  if (sequence.length === asked.size && pairs.kept === pairs.of) return [itemMark('place', lane.id, 'right', 'in-order', words, credit.of)]
  const code = sequence.length < asked.size ? 'order-unfinished' : 'out-of-order'
  return [itemMark('place', lane.id, 'wrong', code, words, credit.of, credit.points)]
}

/** The order in which pieces stand in each lane, as a chain; lanes with fewer than two say nothing. */
export const keepOrder: Keeper<'order'> = ({ page, edition, placements }, former) => page.places.flatMap((lane) => {
  if (lane.kind !== 'lane') return []
  const held = contentsOf(lane.id, placements, 'in').map(h => h.piece)
  const sequence = laneOrder(lane, placements, Math.max(0, ...held.map(id => edition.pieces.get(id)!.master.height)) / 2)
  const before = sequence.slice(1).map((id, i): [PieceId, PieceId] => [sequence[i]!, id])
  return before.length ? [{ lane: lane.id, before, credit: former.find(key => key.lane === lane.id)?.credit ?? 'neighbours' }] : []
})
