/** Numbers from 0 up to, but not including, 1. The same seed gives the same numbers everywhere and always. */
export type Random = () => number

/** The generator mulberry32 by Tommy Ettinger (public domain): 32 bits of state, full period. */
export function seeded(seed: number): Random {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/**
 * A new list in an order in which each arrangement is as likely as any other (Fisher and Yates; Knuth, TAOCP 2, 3.4.2,
 * algorithm P).
 */
export function shuffled<T>(items: readonly T[], random: Random): T[] {
  const list = [...items]
  for (let i = list.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1))
    const kept = list[i]!
    list[i] = list[j]!
    list[j] = kept
  }
  return list
}
