import { seeded, shuffled, type Random } from './random'

const TRIES = 200

/**
 * An order for the ledge that tells nothing: among shuffles made by chance, or from a seed, the first in which no item stands
 * where it stood in the list, and in which neighbours share a group no more often than chance would have it.
 * Where no such order exists (one item, two of a group) the one that comes nearest is given; ties go to the earlier.
 * `groupOf` may return undefined for an item of which nothing is known.
 */
export function scramble<T>(items: readonly T[], groupOf: (item: T) => string | undefined, chance: number | Random): T[] {
  const random = typeof chance === 'number' ? seeded(chance) : chance
  const allowed = expectedNeighbours(items.map(groupOf))
  let best: T[] = [...items]
  let least = Infinity
  for (let i = 0; i < TRIES && least > 0; i++) {
    const order = shuffled(items, random)
    const unmoved = order.filter((item, at) => item === items[at]).length
    const tell = unmoved + Math.max(0, neighbours(order.map(groupOf)) - allowed)
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
  const pairs = [...sizes.values()].reduce((sum, n) => sum + n * (n - 1) / 2, 0)
  return groups.length ? Math.ceil(2 * pairs / groups.length) : 0
}
