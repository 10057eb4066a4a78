import type { PieceId } from '../board/ids'
import type { TotalKey } from '../board/key'
import { quantity, quantityText, sum, type Quantity } from '../exact/quantity'
import { contentsOf } from '../placement/contents'
import { itemMark, valueOf, type MarkContext } from './context'
import type { ItemMark } from './mark'

/** Beyond this many tiles on the edge their combinations aren't tried one by one; the total is then on the line. */
const MOST_UNSURE = 12

/**
 * Marks the exact value of what lies in a place; pieces without a value count for nothing. One point. With tiles on the
 * edge it is on the line if some reading of them makes the target, else wrong. In standard form no tiles of one size make
 * one of the next size on the page: 3 hundreds 4 tens 2 ones, not 2 hundreds 14 tens 2 ones.
 */
export function markTotal(key: TotalKey, context: MarkContext): ItemMark[] {
  const target = quantity(key.target)
  const tiles = (certainty: 'in' | 'unsure') => contentsOf(key.place, context.placements, certainty).map(h => h.piece).filter(id => valueOf(context, id))
  const [sure, perhaps] = [tiles('in'), tiles('unsure')]
  const made = total(sure, context)
  const missing = target.sub(made)
  const words = { made: quantityText(made), target: quantityText(target), missing: quantityText(missing.abs()), tiles: sure.length, count: key.tiles ?? sure.length }
  const mark = (verdict: ItemMark['verdict'], code: string) => [itemMark('place', key.place, verdict, code, words)]
  if (perhaps.length) {
    return couldMake(missing, perhaps.map(id => valueOf(context, id)!)) ? mark('on-the-line', 'total-unsure') : mark('wrong', missing.compare(0) > 0 ? 'total-short' : 'total-over')
  }
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
