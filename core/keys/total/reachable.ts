import type { Piece } from '../../board/piece'
import { gcd } from '../../exact/change'
import { measure, readMeasure } from '../../exact/measure'
import { readTerm } from '../../exact/polynomial'
import type { Quantity } from '../../exact/quantity'
import type { TotalKey } from './key'

/** Beyond this many different sums the question is left open rather than the page made to wait. */
const MOST_SUMS = 200_000

/**
 * Whether some choice of a page's tiles makes a target, and in as many ways as there are places for it: every sum of
 * every choice, with how many tiles make it where the key counts them; exact, over one denominator. True where it can't
 * be told, for there are too many sums or a bin of negatives.
 */
export function canMakeTotal(pieces: readonly Piece[], key: Pick<TotalKey, 'target' | 'tiles' | 'ways'>): boolean {
  const wanted = measure(key.target)
  const tiles = pieces.flatMap(p => {
    if (p.kind !== 'tile' || readTerm(p.term ?? '1') !== '1') return []
    const sides = [p.value, ...(p.other ? [p.other.value] : [])]
      .flatMap(text => readMeasure(text) ?? [])
      .filter(m => m.dimension === wanted.dimension)
    return sides.length ? [{ sides: sides.map(m => m.amount), bin: p.bin ?? false }] : []
  })
  const all = [...tiles.flatMap(t => t.sides), wanted.amount]
  const denominator = all.reduce((common, value) => (common / gcd(common, value.d)) * value.d, 1n)
  const whole = (value: Quantity) => value.s * value.n * (denominator / value.d)
  const target = whole(wanted.amount)
  const onlyUp = tiles.every(t => t.sides.every(side => side.compare(0) >= 0))
  // A bin of negatives has no end: nothing is proved against it.
  if (!onlyUp && tiles.some(t => t.bin)) return true
  let reached = new Set(['0 0'])
  // Tiles are counted where the key does; else only whether there is one at all, for nothing lying there is no answer.
  const counted = (used: number) => (key.tiles === undefined ? Math.min(1, used) : used)
  for (const sides of tiles.flatMap(t =>
    Array.from({ length: t.bin ? copiesOf(t.sides.map(whole), target) : 1 }, () => t.sides),
  )) {
    const next = new Set(reached)
    for (const sum of reached) {
      const [made, used] = sum.split(' ')
      for (const side of sides) {
        const more = BigInt(made!) + whole(side)
        if (!onlyUp || more <= target) next.add(`${more} ${counted(Number(used) + 1)}`)
      }
    }
    if (next.size > MOST_SUMS) return true
    reached = next
  }
  return (
    reached.has(`${target} ${key.tiles ?? 1}`)
    && (!key.ways?.length
      || !onlyUp
      || waysTo(
        target,
        tiles.map(t => ({ sides: t.sides.map(whole), bin: t.bin })),
        key.ways.length + 1,
      ) > key.ways.length)
  )
}

interface Offered {
  readonly sides: readonly bigint[]
  readonly bin: boolean
}

/**
 * In how many ways, different by their values, tiles that are worth something make a target; no further than `enough`.
 */
function waysTo(target: bigint, tiles: readonly Offered[], enough: number): number {
  const supply = new Map<bigint, number>()
  for (const { sides, bin } of tiles) {
    for (const side of new Set(sides)) if (side > 0n) supply.set(side, bin ? Infinity : (supply.get(side) ?? 0) + 1)
  }
  let ways = new Map<bigint, number>([[0n, 1]])
  for (const [value, many] of supply) {
    const next = new Map(ways)
    for (const [sum, count] of ways) {
      for (let n = 1; n <= many && sum + value * BigInt(n) <= target; n++) {
        const more = sum + value * BigInt(n)
        next.set(more, Math.min(enough, (next.get(more) ?? 0) + count))
      }
    }
    if (next.size > MOST_SUMS) return enough
    ways = next
  }
  return ways.get(target) ?? 0
}

/** So many tiles from a bin reach the target at the most. */
function copiesOf(sides: readonly bigint[], target: bigint): number {
  const least = sides.filter(side => side > 0n).reduce((a, b) => (b < a ? b : a), target > 0n ? target : 1n)
  return Math.min(200, Number(target / least))
}
