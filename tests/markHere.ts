import { ok, refuse } from '../core/result'
import mark, { type Batch } from '../server/marking/marker'
import type { Marking } from '../server/marking/markingPool'

/** Marks without threads, and counts how many slates it was given. */
export function markHere(): Marking & { readonly batches: Batch[] } {
  const batches: Batch[] = []
  return {
    batches,
    mark(batch) {
      batches.push(batch)
      const marked = mark(batch)
      return Promise.resolve(
        new Map(
          batch.slates.map((slate, i) => {
            const one = marked[i]!
            return [slate.id, 'error' in one ? refuse('unreadable' as const) : ok(one)]
          }),
        ),
      )
    },
    stop: () => Promise.resolve(),
  }
}
