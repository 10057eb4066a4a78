/** The value below which this share of the sorted values lies; the nearest rank. Throws for no values. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b)
  const value = sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]
  if (value === undefined) throw new Error('nothing was measured')
  return value
}

/** Milliseconds that a task takes, the median of several runs after one to warm up. */
export async function time(runs: number, task: () => unknown): Promise<number> {
  await task()
  const taken: number[] = []
  for (let i = 0; i < runs; i++) {
    const start = performance.now()
    await task()
    taken.push(performance.now() - start)
  }
  return quantile(taken, 0.5)
}

export interface Line {
  readonly what: string
  readonly measured: string
  readonly floor: string
  readonly ratio: number
}

export const ms = (value: number) => `${value.toFixed(value < 10 ? 2 : 0)} ms`
