import type { SlateStatus } from '../slate/status'

/** A slate as far as it tells whether its student goes on. Times are milliseconds of one clock. */
export interface Going {
  readonly id: string
  readonly status: SlateStatus
  /** When it was last moved on; null for never. */
  readonly movedAt: number | null
  readonly placed: number
  readonly of: number
}

export interface Quiet {
  /** Whole minutes since the last move. */
  readonly minutes: number
  /** Whole minutes that the class is quiet for: half of those still at it have moved since. */
  readonly usual: number
}

const MINUTE = 60_000
/** Nobody is quiet who paused for less. */
const LEAST = 1 * MINUTE
/** With fewer under way there is no class to be compared with: a plain time has to do. */
const FEWEST = 5
const ALONE = 3 * MINUTE
/** Tukey, Exploratory Data Analysis (1977), 2D: beyond the quartile by one and a half of their distance. */
const FENCE = 1.5

/**
 * Those who have stopped while others go on: under way, not all placed, and quiet for longer than Tukey's upper fence
 * of all of whom the same can be said. Where the whole class listens, or reads, nobody stands out; whoever has placed
 * everything is quiet for a good reason, and no measure for the others. Of fewer than five whoever is quiet for three
 * minutes does. A slate that was never moved on is quiet for nothing: it isn't begun.
 */
export function quietOnes(slates: readonly Going[], now: number): ReadonlyMap<string, Quiet> {
  const times = new Map(
    slates.flatMap(({ id, status, movedAt, placed, of }) =>
      status === 'under-way' && movedAt !== null && placed < of ? [[id, Math.max(0, now - movedAt)] as const] : [],
    ),
  )
  const all = [...times.values()].toSorted((a, b) => a - b)
  const fence = all.length < FEWEST ? ALONE : Math.max(LEAST, upperFence(all))
  const usual = all.length ? Math.floor(quantile(all, 0.5) / MINUTE) : 0
  return new Map(
    slates.flatMap(({ id }) => {
      const quiet = times.get(id)
      return quiet !== undefined && quiet >= fence
        ? [[id, { minutes: Math.floor(quiet / MINUTE), usual }] as const]
        : []
    }),
  )
}

/** Of numbers from the least to the most, at least one. */
export function upperFence(sorted: readonly number[]): number {
  const [low, high] = [quantile(sorted, 0.25), quantile(sorted, 0.75)]
  return high + FENCE * (high - low)
}

/**
 * The value below which a share of sorted numbers lies: the (n + 1)·share-th of them, between two of them in proportion
 * (NIST/SEMATECH e-Handbook of Statistical Methods, 7.2.6.2). Beyond the ends it is the end; of none it is no number.
 */
export function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length + 1) * share
  const below = Math.min(sorted.length, Math.max(1, Math.floor(at)))
  const above = Math.min(sorted.length, below + 1)
  const part = Math.min(1, Math.max(0, at - below))
  return sorted[below - 1]! + part * (sorted[above - 1]! - sorted[below - 1]!)
}
