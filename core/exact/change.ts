import { quantity, type Quantity } from './quantity'

/** A value that tiles have, and how many of it there are; null for as many as are needed. */
export interface Supply {
  readonly value: Quantity
  readonly many: number | null
}

/** So many amounts are worked out; a target beyond them is left open. */
const MOST_AMOUNTS = 1_000_000
/** So many amounts times values, since each value is tried on each amount: what takes a tenth of a second or so. */
const MOST_STEPS = 30_000_000n

/**
 * The fewest tiles that make an amount, by change-making: for every smaller amount the fewest that make it (dynamic
 * programming over the amounts, each limited value in parts of 1, 2, 4, … of it; M. Dantzig 1957 for the limited case,
 * from memory). Exact over one denominator. Values of nought or less are left out, for they make no sum smaller. Null
 * where no choice makes the amount; undefined where there are too many amounts to tell.
 */
export function fewestTiles(target: Quantity, supplies: readonly Supply[]): number | null | undefined {
  if (target.compare(0) < 0) return null
  const useful = supplies.filter(({ value, many }) => value.compare(0) > 0 && value.compare(target) <= 0 && many !== 0)
  const denominator = [target, ...useful.map(supply => supply.value)].reduce(
    (common, { d }) => (common / gcd(common, d)) * d,
    1n,
  )
  const whole = (value: Quantity) => value.n * (denominator / value.d)
  const step = useful.reduce((common, { value }) => gcd(common, whole(value)), 0n)
  if (target.equals(0)) return 0
  if (step === 0n || whole(target) % step !== 0n) return null
  const amount = whole(target) / step
  if (amount > BigInt(MOST_AMOUNTS) || amount * BigInt(useful.length) > MOST_STEPS) return undefined
  const most = Number(amount)
  const fewest = new Float64Array(most + 1).fill(Infinity)
  fewest[0] = 0
  for (const { value, many } of useful) {
    const size = Number(whole(value) / step)
    if (many === null) {
      for (let at = size; at <= most; at++) fewest[at] = Math.min(fewest[at]!, fewest[at - size]! + 1)
      continue
    }
    for (let left = many, part = 1; left > 0; left -= part, part *= 2) {
      const taken = Math.min(part, left)
      for (let at = most; at >= taken * size; at--)
        fewest[at] = Math.min(fewest[at]!, fewest[at - taken * size]! + taken)
    }
  }
  return Number.isFinite(fewest[most]!) ? fewest[most]! : null
}

/** The tiles that a page offers, by their values. */
export function supplyOf(tiles: readonly { readonly value: Quantity; readonly bin: boolean }[]): Supply[] {
  const many = new Map<string, number | null>()
  for (const { value, bin } of tiles) {
    const name = value.toFraction()
    const before = many.get(name) ?? (many.has(name) ? null : 0)
    many.set(name, bin || before === null ? null : before + 1)
  }
  return [...many].map(([name, count]) => ({ value: quantity(name), many: count }))
}

/** The greatest common divisor; of nought and another number the other (Euclid). */
export function gcd(a: bigint, b: bigint): bigint {
  return b === 0n ? a : gcd(b, a % b)
}
