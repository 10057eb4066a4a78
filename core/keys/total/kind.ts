import type { PieceId, PlaceId } from '../../board/ids'
import { measure, measureText } from '../../exact/measure'
import { readTerm } from '../../exact/polynomial'
import { fewestTiles, supplyOf } from '../../exact/change'
import { sum, type Quantity } from '../../exact/quantity'
import { contentsOf } from '../../placement/contents'
import { measureOf, valueOf, type MarkContext } from '../context'
import { someReading } from '../readings'
import { kindHas, kindOfKey, pieceHas } from '../kind'
import { marksWith, type ItemMark } from '../outcome'
import { EMPTY } from '../reason'
import type { TotalKey } from './key'

const reasons = {
  ...EMPTY,
  right: { doing: {}, codes: { 'total-right': { made: 'text' } } },
  'total-wrong': {
    doing: { made: 'text' },
    codes: {
      'total-short': { target: 'text', missing: 'text' },
      'total-over': { target: 'text', missing: 'text' },
      'total-tiles': { tiles: 'number', count: 'number' },
      'not-standard': {},
      'same-way': {},
      'total-other-unit': {},
    },
  },
  'not-clear': { doing: {}, codes: { 'total-unsure': {} } },
} as const
const mark = marksWith(reasons)

/**
 * Marks the exact value of what lies in a place; pieces without a value count for nothing. One point, and one for each
 * further place that must make the target in a way of its own: with other tiles, in whatever order. With tiles on the
 * edge it is on the line if some reading of them is right, else wrong. In standard form no fewer of the page's tiles
 * make it: 3 hundreds 4 tens 2 ones, not 2 hundreds 14 tens 2 ones.
 */
export const totalKind = kindOfKey<TotalKey>()({
  reasons,
  counted: false,
  mark(key, context) {
    const marks: ItemMark[] = []
    const ways = new Set<string>()
    for (const place of [key.place, ...(key.ways ?? [])]) {
      const one = markPlace(place, key, context)
      const tiles = contentsOf(place, context.placements, 'in')
      const way = tiles
        .flatMap(h => valueOf(context, h.piece)?.toFraction() ?? [])
        .toSorted()
        .join(' ')
      const again = one.verdict === 'right' && ways.has(way)
      const made = madeText(
        tiles.map(h => h.piece),
        context,
      )
      marks.push(again ? mark({ is: 'place', item: place, verdict: 'wrong', code: 'same-way', words: { made } }) : one)
      if (one.verdict === 'right') ways.add(way)
    }
    return marks
  },
  keep: keepTotal,
  lay: null,
  suits: page =>
    page.pieces.some(p => p.kind === 'tile' && readTerm(p.term ?? '1') === '1')
    && (kindHas(page, 'zone') || kindHas(page, 'pan') || kindHas(page, 'lane')),
  canBeDone: (_, page) => pieceHas(page, 'tile'),
  answers: null,
  interchanged: null,
  alsoRight: null,
})

/**
 * What tiles make, said in their own unit, whatever is asked for; of things that can't be added, one after the other.
 */
function madeText(pieces: readonly PieceId[], context: MarkContext): string {
  const tiles = pieces.flatMap(id => measureOf(context, id) ?? [])
  const dimension = tiles[0]?.dimension ?? 'number'
  if (tiles.every(tile => tile.dimension === dimension))
    return measureText(sum(tiles.map(tile => tile.amount)), dimension)
  return tiles.map(tile => measureText(tile.amount, tile.dimension)).join(' + ')
}

function markPlace(place: PlaceId, key: TotalKey, context: MarkContext): ItemMark {
  const tiles = (certainty: 'in' | 'unsure') =>
    contentsOf(place, context.placements, certainty)
      .map(h => h.piece)
      .filter(id => valueOf(context, id))
  const [sure, perhaps] = [tiles('in'), tiles('unsure')]
  const surely = markTiles(sure, place, key, context)
  if (perhaps.length === 0) return surely
  const couldBeRight = someReading(
    perhaps,
    more => markTiles([...sure, ...more], place, key, context).verdict === 'right',
  )
  if (couldBeRight) return mark({ is: 'place', item: place, verdict: 'on-the-line', code: 'total-unsure', words: {} })
  // Whatever the tiles on the edge are meant for, it isn't the target: what lies there is wrong, or not there yet.
  return surely.verdict === 'not-placed' ? markTiles(perhaps, place, key, context) : surely
}

/** What certain tiles make. */
function markTiles(tiles: readonly PieceId[], place: PlaceId, key: TotalKey, context: MarkContext): ItemMark {
  const { amount: target, dimension } = measure(key.target)
  const missing = target.sub(total(tiles, context))
  const about = { is: 'place', item: place } as const
  const made = madeText(tiles, context)
  const wrong = { ...about, verdict: 'wrong' } as const
  // A length among minutes makes no sum at all.
  if (tiles.some(id => measureOf(context, id)?.dimension !== dimension)) {
    return mark({ ...wrong, code: 'total-other-unit', words: { made } })
  }
  if (tiles.length === 0) return mark({ ...about, verdict: 'not-placed', code: 'empty', words: {} })
  if (!missing.equals(0)) {
    return mark({
      ...wrong,
      code: missing.compare(0) > 0 ? 'total-short' : 'total-over',
      words: { made, target: measureText(target, dimension), missing: measureText(missing.abs(), dimension) },
    })
  }
  if (key.tiles !== undefined && tiles.length !== key.tiles) {
    return mark({ ...wrong, code: 'total-tiles', words: { made, tiles: tiles.length, count: key.tiles } })
  }
  if (key.standardForm && !isFewest(tiles, target, context))
    return mark({ ...wrong, code: 'not-standard', words: { made } })
  return mark({ ...about, verdict: 'right', code: 'total-right', words: { made } })
}

const total = (pieces: readonly PieceId[], context: MarkContext) => sum(pieces.map(id => valueOf(context, id)!))

/**
 * No fewer of the page's tiles make it. Where that can't be told, for the amount is too large, it is taken to be so.
 */
function isFewest(pieces: readonly PieceId[], target: Quantity, context: MarkContext): boolean {
  const offered = context.page.pieces.flatMap(piece => {
    const value = valueOf(context, piece.id)
    return value ? [{ value, bin: piece.bin ?? false }] : []
  })
  const fewest = fewestTiles(target, supplyOf(offered))
  return fewest === undefined || fewest === null || pieces.length <= fewest
}

/**
 * What the tiles in each place make is what they are to make. Places that make the same, each with other tiles, are one
 * question: several ways to the same total.
 */
function keepTotal(context: MarkContext, former: readonly TotalKey[]) {
  const made = context.page.places.flatMap(place => {
    const tiles = contentsOf(place.id, context.placements, 'in').flatMap(h => measureOf(context, h.piece) ?? [])
    if (tiles.length === 0) return []
    const target = measureText(sum(tiles.map(tile => tile.amount)), tiles[0]!.dimension)
    const way = tiles
      .map(tile => tile.amount.toFraction())
      .toSorted()
      .join(' ')
    return [{ place: place.id, target, tiles: tiles.length, way }]
  })
  return made.flatMap(({ place, target, tiles }, i) => {
    const alike = made.filter(other => other.target === target)
    const several = alike.length > 1 && new Set(alike.map(other => other.way)).size === alike.length
    if (several && made.findIndex(other => other.target === target) < i) return []
    const before = former.find(key => key.place === place)
    return [
      {
        place,
        target,
        ...(before?.standardForm && { standardForm: true }),
        ...(before?.tiles && { tiles }),
        ...(several && { ways: alike.map(other => other.place).filter(id => id !== place) }),
      },
    ]
  })
}
