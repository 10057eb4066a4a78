import type { PieceId } from '../../board/ids'
import { contentsOf, laneOrder } from '../../placement/contents'
import type { SlateState } from '../../slate/state'
import { keyName, type MarkContext } from '../context'
import { kindHas, kindOfKey, placeKind, type Laying } from '../kind'
import { copiesToLay, laidAt } from '../lay'
import { marksWith, type ItemMark } from '../outcome'
import { closure, longestRun, neighboursKept, pairsKept } from '../partialOrder'
import { EMPTY } from '../reason'
import type { OrderKey } from './key'

const reasons = {
  ...EMPTY,
  right: { doing: {}, codes: { 'in-order': { order: 'pieces' } } },
  'order-wrong': {
    doing: {},
    codes: {
      'out-of-order': { order: 'pieces' },
      'order-unfinished': { order: 'pieces', placed: 'number', count: 'number' },
    },
  },
  'not-clear': { doing: {}, codes: { 'order-unsure': { names: 'pieces' } } },
} as const
const mark = marksWith(reasons)
const GAP = 8

/**
 * Marks what stands in a lane against "this before that"; every order that respects the pairs is right. Credit: *all*
 * is one point for the whole; *neighbours* a point for each seam that is in order; *run* a point for each piece of the
 * longest run in order; *pairs* a point for each pair of the order that is kept (for a total order Kendall's count of
 * concordant pairs: Biometrika 30, 1938). Pieces that aren't in the order are passed over. A piece on the edge of the
 * lane leaves the whole on the line if all is in order with it. A key that contradicts itself marks nothing; preflight
 * says so.
 */
export const orderKind = kindOfKey<OrderKey>()({
  reasons,
  counted: false,
  mark: markOrder,
  /** The order in which pieces stand in each lane, as a chain; lanes with fewer than two say nothing. */
  keep: ({ page, edition, placements }, former) =>
    page.places.flatMap(lane => {
      if (lane.kind !== 'lane') return []
      // A pattern in which a bin comes again and again is no order; of each bin the first copy stands.
      const sequence = [...new Set(laneOrder(lane, placements, id => edition.pieces.get(id)!.master).map(keyName))]
      const before = sequence.slice(1).map((id, i): [PieceId, PieceId] => [sequence[i]!, id])
      const credit = former.find(key => key.lane === lane.id)?.credit ?? 'neighbours'
      return before.length ? [{ lane: lane.id, before, credit }] : []
    }),
  lay: layOrder,
  suits: page => kindHas(page, 'lane') && page.pieces.length > 1,
  canBeDone: (key, page) => placeKind(page, key.lane) === 'lane',
  answers: key => new Map([...new Set(key.before.flat())].map(id => [id, id])),
  interchanged: null,
  alsoRight: null,
})

function markOrder(key: OrderKey, context: MarkContext): ItemMark[] {
  const lane = context.placeOf(key.lane)
  const after = closure(key.before)
  if (lane?.kind !== 'lane' || !after) return []
  const asked = new Set(after.keys())
  const sizeOf = (id: PieceId) => context.edition.pieces.get(id)!.master
  const row = laneOrder(lane, context.placements, sizeOf)
  const standing = row.filter(id => asked.has(keyName(id)))
  const sequence = standing.map(keyName)
  const placed = new Set(sequence).size
  const pairs = pairsKept(sequence, after)
  const { points, of } = {
    all: { points: pairs.kept === pairs.of ? 1 : 0, of: 1 },
    neighbours: { points: Math.min(asked.size - 1, neighboursKept(sequence, after)), of: asked.size - 1 },
    run: { points: sequence.length > 1 ? Math.min(asked.size, longestRun(sequence, after)) : 0, of: asked.size },
    pairs: { points: pairs.kept, of: pairs.of },
  }[key.credit]
  const about = { is: 'place', item: lane.id, of } as const
  const order = { pieces: standing }
  const inOrder = (more: readonly PieceId[]) => {
    const all = laneOrder(lane, context.placements, sizeOf, more)
      .map(keyName)
      .filter(id => asked.has(id))
    const kept = pairsKept(all, after)
    return new Set(all).size === asked.size && kept.kept === kept.of
  }
  const unsure = contentsOf(lane.id, context.placements, 'unsure')
    .map(u => u.piece)
    .filter(piece => asked.has(keyName(piece)))
  // What is on the edge matters only where all would be in order with it.
  if (unsure.length && inOrder(unsure)) {
    return [mark({ ...about, verdict: 'on-the-line', code: 'order-unsure', words: { names: { pieces: unsure } } })]
  }
  if (sequence.length === 0) return [mark({ ...about, verdict: 'not-placed', code: 'empty', words: {} })]
  if (placed < asked.size) {
    const words = { order, placed, count: asked.size }
    return [mark({ ...about, points, verdict: 'wrong', code: 'order-unfinished', words })]
  }
  return pairs.kept === pairs.of
    ? [mark({ ...about, verdict: 'right', code: 'in-order', words: { order } })]
    : [mark({ ...about, points, verdict: 'wrong', code: 'out-of-order', words: { order } })]
}

/** One after the other, what comes before most of the others first, in as many rows as the lane has room for. */
function layOrder(key: OrderKey, { state, page, edition }: Laying): SlateState {
  const lane = page.places.find(p => p.id === key.lane)
  const after = closure(key.before)
  if (lane?.kind !== 'lane' || !after) return state
  const { shape, direction, fromRight } = lane
  const row = direction === 'row'
  const order = [...after].toSorted(([, a], [, b]) => b.size - a.size).map(([id]) => id)
  const [length, depth] = row ? [shape.width, shape.height] : [shape.height, shape.width]
  const sizeOf = (piece: PieceId) => {
    const { width, height } = edition.pieces.get(piece)!.master
    return row ? { long: width, deep: height } : { long: height, deep: width }
  }
  const lines = order.reduce<PieceId[][]>((all, piece) => {
    const last = all.at(-1)
    const used = last?.reduce((sum, id) => sum + sizeOf(id).long + GAP, GAP) ?? Infinity
    return last && used + sizeOf(piece).long <= length ? [...all.slice(0, -1), [...last, piece]] : [...all, [piece]]
  }, [])
  const deepest = Math.max(0, ...order.map(id => sizeOf(id).deep))
  return lines.reduce((now, line, n) => {
    const across = lines.length === 1 ? depth / 2 : GAP + deepest / 2 + n * (deepest + GAP)
    let along = GAP
    return line.reduce((laid, piece) => {
      const middle = along + sizeOf(piece).long / 2
      along += sizeOf(piece).long + GAP
      return laidAt(
        laid,
        copiesToLay(piece, page, [lane.id])[0]!,
        row
          ? { x: fromRight ? shape.x + shape.width - middle : shape.x + middle, y: shape.y + across }
          : { x: shape.x + across, y: shape.y + middle },
      )
    }, now)
  }, state)
}
