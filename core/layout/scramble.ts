import { seeded, shuffled, type Random } from './random'

const TRIES = 200
/** Items of which every order is looked at: 720 of them. */
const MOST_TRIED = 6

function allOrders<T>(items: readonly T[]): T[][] {
  if (items.length < 2) return [[...items]]
  return items.flatMap((item, i) => allOrders(items.toSpliced(i, 1)).map(rest => [item, ...rest]))
}

/**
 * An order for the ledge that tells nothing: among shuffles made by chance, or from a seed, the first in which no item
 * stands where it stood in the list, and in which neighbours share a group no more often than chance would have it.
 * `groupOf` may return undefined for an item of which nothing is known; `tells` says how much an order gives away
 * besides, nought for nothing. Where no such order exists (one item, two of a group) the one that tells least is given,
 * one of several at random; of up to six items every order is looked at, so that none that tells is given while another
 * doesn't.
 */
export function scramble<T>(
  items: readonly T[],
  groupOf: (item: T) => string | undefined,
  chance: number | Random,
  tells: (order: readonly T[]) => number = () => 0,
): T[] {
  const random = typeof chance === 'number' ? seeded(chance) : chance
  const orders = items.length <= MOST_TRIED ? shuffled(allOrders(items), random) : null
  const allowed = expectedNeighbours(items.map(groupOf))
  let best: T[] = [...items]
  let least = Infinity
  for (let i = 0; i < (orders?.length ?? TRIES) && least > 0; i++) {
    const order = orders?.[i] ?? shuffled(items, random)
    const unmoved = order.filter((item, at) => item === items[at]).length
    const tell = unmoved + Math.max(0, neighbours(order.map(groupOf)) - allowed) + tells(order)
    if (tell < least) {
      best = order
      least = tell
    }
  }
  return best
}

/** How often two that stand side by side share a group. */
export function neighbours(groups: readonly (string | undefined)[]): number {
  return groups.filter((group, i) => i > 0 && group !== undefined && group === groups[i - 1]).length
}

/** The mean of that over all orders: each of the n - 1 seams joins a given pair with probability 2 / (n (n - 1)). */
function expectedNeighbours(groups: readonly (string | undefined)[]): number {
  const sizes = new Map<string, number>()
  for (const group of groups) if (group !== undefined) sizes.set(group, (sizes.get(group) ?? 0) + 1)
  const pairs = [...sizes.values()].reduce((sum, n) => sum + (n * (n - 1)) / 2, 0)
  return groups.length ? Math.ceil((2 * pairs) / groups.length) : 0
}
