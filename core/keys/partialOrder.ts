/**
 * Everything that follows from "this before that": the transitive closure, for each item the items that come after it.
 * Null when the pairs contradict each other (a cycle).
 */
export function closure<T>(before: readonly (readonly [T, T])[]): Map<T, Set<T>> | null {
  const next = new Map<T, Set<T>>()
  for (const [a, b] of before) {
    next.set(a, (next.get(a) ?? new Set()).add(b))
    if (!next.has(b)) next.set(b, new Set())
  }
  const after = new Map<T, Set<T>>()
  const open = new Set<T>()
  const visit = (item: T): Set<T> | null => {
    const known = after.get(item)
    if (known) return known
    if (open.has(item)) return null
    open.add(item)
    const all = new Set<T>()
    for (const follower of next.get(item)!) {
      const beyond = visit(follower)
      if (!beyond) return null
      all.add(follower)
      for (const far of beyond) all.add(far)
    }
    after.set(item, all)
    return all
  }
  for (const item of next.keys()) if (!visit(item)) return null
  return after
}

/**
 * Pairs of the order that a sequence keeps. An item missing from the sequence keeps none of its pairs; one that stands
 * there several times keeps a pair when all of it stands right.
 */
export function pairsKept<T>(
  sequence: readonly T[],
  after: ReadonlyMap<T, ReadonlySet<T>>,
): { kept: number; of: number } {
  const last = new Map(sequence.map((item, i) => [item, i]))
  const first = new Map(sequence.map((item, i) => [item, i] as const).toReversed())
  let kept = 0
  let of = 0
  for (const [a, followers] of after) {
    for (const b of followers) {
      of++
      const [x, y] = [last.get(a), first.get(b)]
      if (x !== undefined && y !== undefined && x < y) kept++
    }
  }
  return { kept, of }
}

/** Neighbours in the sequence of which the second doesn't have to come before the first. */
export function neighboursKept<T>(sequence: readonly T[], after: ReadonlyMap<T, ReadonlySet<T>>): number {
  return sequence.filter((item, i) => i > 0 && !after.get(item)?.has(sequence[i - 1]!)).length
}

/** Beyond so many steps the search for the longest run stops with the longest found so far. */
const MOST_STEPS = 200_000

/**
 * The length of the longest choice of items, not necessarily side by side, in which nothing stands against the order.
 * Where every two items are ordered (a total order) it is a longest increasing run. In a partial order standing against
 * each other isn't transitive, so it is a largest independent set of the conflicts between items: found by branch and
 * bound, taking items in turn and giving up a branch that can't beat the best any more. Exact up to 200,000 steps,
 * which no class of conflicts among 40 items is known to need; beyond that a lower bound. No items: 0.
 */
export function longestRun<T>(sequence: readonly T[], after: ReadonlyMap<T, ReadonlySet<T>>): number {
  const n = sequence.length
  const against = sequence.map((item, i) =>
    sequence.map(
      (other, j) =>
        i !== j && (i < j ? (after.get(other)?.has(item) ?? false) : (after.get(item)?.has(other) ?? false)),
    ),
  )
  let best = 0
  let steps = 0
  const search = (open: readonly number[], taken: number) => {
    if (taken > best) best = taken
    if (open.length === 0 || taken + open.length <= best || ++steps > MOST_STEPS) return
    // What conflicts with nothing any more is taken; of the rest the one that conflicts with most decides.
    const conflicts = open.map(i => open.reduce((count, j) => count + (against[i]![j] ? 1 : 0), 0))
    const most = Math.max(...conflicts)
    if (most === 0) return void (best = Math.max(best, taken + open.length))
    const pivot = open[conflicts.indexOf(most)]!
    search(
      open.filter(j => j !== pivot && !against[pivot]![j]),
      taken + 1,
    )
    search(
      open.filter(j => j !== pivot),
      taken,
    )
  }
  search(
    Array.from({ length: n }, (_, i) => i),
    0,
  )
  return best
}
