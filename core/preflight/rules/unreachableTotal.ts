import type { Board } from '../../board/board'
import type { TotalKey } from '../../keys/total/key'
import { measure, measureText, readMeasure } from '../../exact/measure'
import { readTerm } from '../../exact/polynomial'
import type { Quantity } from '../../exact/quantity'
import type { Finding, Rule } from '../finding'

/** Beyond this many different sums the question is left open rather than the page made to wait. */
const MOST_SUMS = 200_000

/** A target that no choice of the page's tiles makes. */
export const unreachableTotal: Rule = {
  name: 'unreachable-total',
  look: board => board.keys.flatMap((key): Finding[] => {
    if (key.kind !== 'total' || canMake(board, key)) return []
    const { amount, dimension } = measure(key.target)
    return [{ rule: 'unreachable-total', severity: 'stops', page: key.page, subjects: [key.place], words: { target: measureText(amount, dimension) } }]
  }),
}

/** Every sum of every choice of tiles, with how many tiles make it where the key counts them; exact, over one denominator. */
function canMake(board: Board, key: TotalKey): boolean {
  const wanted = measure(key.target)
  const tiles = board.pages.find(p => p.id === key.page)?.pieces.flatMap((p) => {
    if (p.kind !== 'tile' || readTerm(p.term ?? '1') !== '1') return []
    const sides = [p.value, ...p.other ? [p.other.value] : []].flatMap(text => readMeasure(text) ?? []).filter(m => m.dimension === wanted.dimension)
    return sides.length ? [{ sides: sides.map(m => m.amount), bin: p.bin ?? false }] : []
  }) ?? []
  const all = [...tiles.flatMap(t => t.sides), wanted.amount]
  const denominator = all.reduce((common, value) => common / gcd(common, value.d) * value.d, 1n)
  const whole = (value: Quantity) => value.s * value.n * (denominator / value.d)
  const target = whole(wanted.amount)
  const onlyUp = tiles.every(t => t.sides.every(side => side.compare(0) >= 0))
  // A bin of negatives has no end: nothing is proved against it.
  if (!onlyUp && tiles.some(t => t.bin)) return true
  let reached = new Set(['0 0'])
  for (const sides of tiles.flatMap(t => Array.from({ length: t.bin ? copiesOf(t.sides.map(whole), target) : 1 }, () => t.sides))) {
    const next = new Set(reached)
    for (const sum of reached) {
      const [made, used] = sum.split(' ')
      for (const side of sides) {
        const more = BigInt(made!) + whole(side)
        if (!onlyUp || more <= target) next.add(`${more} ${key.tiles === undefined ? 0 : Number(used) + 1}`)
      }
    }
    if (next.size > MOST_SUMS) return true
    reached = next
  }
  return reached.has(`${target} ${key.tiles ?? 0}`)
}

/** So many tiles from a bin reach the target at the most. */
function copiesOf(sides: readonly bigint[], target: bigint): number {
  const least = sides.filter(side => side > 0n).reduce((a, b) => b < a ? b : a, target > 0n ? target : 1n)
  return Math.min(200, Number(target / least))
}

function gcd(a: bigint, b: bigint): bigint {
  return b === 0n ? a : gcd(b, a % b)
}
