import type { Keeper } from './keep'
import type { PieceId, PlaceId } from '../board/ids'
import type { TotalKey } from '../board/key'
import { measure, measureText } from '../exact/measure'
import { quantity, sum, type Quantity } from '../exact/quantity'
import { contentsOf } from '../placement/contents'
import { itemMark, measureOf, valueOf, type MarkContext } from './context'
import type { ItemMark } from './mark'

/** Beyond this many tiles on the edge their combinations aren't tried one by one; the total is then on the line. */
const MOST_UNSURE = 12

/**
 * Marks the exact value of what lies in a place; pieces without a value count for nothing. One point, and one for each
 * further place that must make the target in a way of its own: with other tiles, in whatever order. With tiles on the
 * edge it is on the line if some reading of them makes the target, else wrong. In standard form no tiles of one size make
 * one of the next size on the page: 3 hundreds 4 tens 2 ones, not 2 hundreds 14 tens 2 ones.
 */
export function markTotal(key: TotalKey, context: MarkContext): ItemMark[] {
  const marks: ItemMark[] = []
  const ways = new Set<string>()
  for (const place of [key.place, ...key.ways ?? []]) {
    const mark = markPlace(place, key, context)
    const way = contentsOf(place, context.placements, 'in').flatMap(h => valueOf(context, h.piece)?.toFraction() ?? []).toSorted().join(' ')
    marks.push(mark.verdict === 'right' && ways.has(way) ? itemMark('place', place, 'wrong', 'same-way', mark.reason.words) : mark)
    if (mark.verdict === 'right') ways.add(way)
  }
  return marks
}

function markPlace(place: PlaceId, key: TotalKey, context: MarkContext): ItemMark {
  const { amount: target, dimension } = measure(key.target)
  const tiles = (certainty: 'in' | 'unsure') => contentsOf(place, context.placements, certainty).map(h => h.piece).filter(id => valueOf(context, id))
  const [sure, perhaps] = [tiles('in'), tiles('unsure')]
  const made = total(sure, context)
  const missing = target.sub(made)
  const text = (amount: Quantity) => measureText(amount, dimension)
  const words = { made: text(made), target: text(target), missing: text(missing.abs()), tiles: sure.length, count: key.tiles ?? sure.length }
  const mark = (verdict: ItemMark['verdict'], code: string) => itemMark('place', place, verdict, code, words)
  if (perhaps.length) {
    return couldMake(missing, perhaps.map(id => valueOf(context, id)!)) ? mark('on-the-line', 'total-unsure') : mark('wrong', missing.compare(0) > 0 ? 'total-short' : 'total-over')
  }
  // A length among minutes makes no sum at all.
  if (sure.some(id => measureOf(context, id)?.dimension !== dimension)) return mark('wrong', 'total-other-unit')
  if (sure.length === 0) return mark('not-placed', 'empty')
  if (!missing.equals(0)) return mark('wrong', missing.compare(0) > 0 ? 'total-short' : 'total-over')
  if (key.tiles !== undefined && sure.length !== key.tiles) return mark('wrong', 'total-tiles')
  if (key.standardForm && !isStandard(sure, context)) return mark('wrong', 'not-standard')
  return mark('right', 'total-right')
}

const total = (pieces: readonly PieceId[], context: MarkContext) => sum(pieces.map(id => valueOf(context, id)!))

/** Whether some of the values, none and all included, add up to the missing amount. */
function couldMake(missing: Quantity, values: readonly Quantity[]): boolean {
  if (values.length > MOST_UNSURE) return true
  const [first, ...rest] = values
  return first ? couldMake(missing, rest) || couldMake(missing.sub(first), rest) : missing.equals(0)
}

/** The tiles of each size together with all smaller ones are worth less than one of the next size that the page offers. */
function isStandard(pieces: readonly PieceId[], context: MarkContext): boolean {
  const sizes = [...new Set(context.page.pieces.flatMap(p => valueOf(context, p.id)?.toFraction() ?? []))].map(quantity).filter(v => v.compare(0) > 0)
  return sizes.every((size) => {
    const smaller = pieces.filter(id => valueOf(context, id)!.compare(size) < 0)
    return total(smaller, context).compare(size) < 0
  })
}

/**
 * What the tiles in each place make is what they are to make. Places that make the same, each with other tiles, are one
 * question: several ways to the same total.
 */
export const keepTotal: Keeper<'total'> = (context, former) => {
  const made = context.page.places.flatMap((place) => {
    const tiles = contentsOf(place.id, context.placements, 'in').flatMap(h => measureOf(context, h.piece) ?? [])
    if (tiles.length === 0) return []
    const target = measureText(sum(tiles.map(tile => tile.amount)), tiles[0]!.dimension)
    return [{ place: place.id, target, tiles: tiles.length, way: tiles.map(tile => tile.amount.toFraction()).toSorted().join(' ') }]
  })
  return made.flatMap(({ place, target, tiles }, i) => {
    const alike = made.filter(other => other.target === target)
    const several = alike.length > 1 && new Set(alike.map(other => other.way)).size === alike.length
    if (several && made.findIndex(other => other.target === target) < i) return []
    const before = former.find(key => key.place === place)
    return [{
      place, target, ...(before?.standardForm && { standardForm: true }), ...(before?.tiles && { tiles }), ...(several && { ways: alike.map(other => other.place).filter(id => id !== place) }),
    }]
  })
}
