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

/** Pairs of the order that a sequence keeps. An item missing from the sequence keeps none of its pairs. */
export function pairsKept<T>(sequence: readonly T[], after: ReadonlyMap<T, ReadonlySet<T>>): { kept: number, of: number } {
  const at = new Map(sequence.map((item, i) => [item, i]))
  let kept = 0
  let of = 0
  for (const [a, followers] of after) {
    for (const b of followers) {
      of++
      const [x, y] = [at.get(a), at.get(b)]
      if (x !== undefined && y !== undefined && x < y) kept++
    }
  }
  return { kept, of }
}

/** Neighbours in the sequence of which the second doesn't have to come before the first. */
export function neighboursKept<T>(sequence: readonly T[], after: ReadonlyMap<T, ReadonlySet<T>>): number {
  return sequence.filter((item, i) => i > 0 && !after.get(item)?.has(sequence[i - 1]!)).length
}

/** The longest choice of items, not necessarily side by side, in which nothing stands against the order. Quadratic. */
export function longestRun<T>(sequence: readonly T[], after: ReadonlyMap<T, ReadonlySet<T>>): number {
  // Being against the order is not transitive between free items, so a run is built on pairwise agreement with its last
  // item only where the order is total; for partial orders the whole run so far is checked.
  const runs: T[][] = []
  for (const item of sequence) {
    const longest = runs.filter(run => run.every(earlier => !after.get(item)?.has(earlier))).reduce<T[]>((a, b) => b.length > a.length ? b : a, [])
    runs.push([...longest, item])
  }
  return runs.reduce((most, run) => Math.max(most, run.length), 0)
}
