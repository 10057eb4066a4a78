import type { BalanceKey } from '../board/key'
import { quantityText, sum } from '../exact/quantity'
import { contentsOf } from '../placement/contents'
import { itemMark, valueOf, type MarkContext } from './context'
import type { ItemMark } from './mark'

/** Marks two pans: right when both hold something of exactly equal value. A tile on an edge leaves it on the line. One point. */
export function markBalance(key: BalanceKey, context: MarkContext): ItemMark[] {
  const tiles = (place: BalanceKey['left'], certainty: 'in' | 'unsure') =>
    contentsOf(place, context.placements, certainty).flatMap(({ piece }) => valueOf(context, piece) ?? [])
  const [left, right] = [tiles(key.left, 'in'), tiles(key.right, 'in')]
  const words = { left: quantityText(sum(left)), right: quantityText(sum(right)) }
  const mark = (verdict: ItemMark['verdict'], code: string) => [itemMark('place', key.left, verdict, code, words)]
  if (tiles(key.left, 'unsure').length + tiles(key.right, 'unsure').length > 0) return mark('on-the-line', 'balance-unsure')
  if (left.length === 0 && right.length === 0) return mark('not-placed', 'empty')
  const level = left.length > 0 && right.length > 0 && sum(left).equals(sum(right))
  return mark(level ? 'right' : 'wrong', level ? 'balance-level' : 'balance-tilted')
}
