import { Piscina } from 'piscina'
import type { Outcomes } from '../../core/keys/outcomes'
import { ok, refuse, type Result } from '../../core/result'
import { log } from '../log'
import type { Batch, Marked, ToMark } from './marker'
import type { PoolRefusal } from '../labour/pool'

/** What became of each slate, by its id. *unreadable*: the marker failed on it; that is logged. */
export type MarkingRefusal = PoolRefusal | 'unreadable'
export type MarkedSlates = ReadonlyMap<string, Result<Outcomes, MarkingRefusal>>

export interface Marking {
  readonly mark: (batch: Batch) => Promise<MarkedSlates>
  readonly stop: () => Promise<void>
}

const THREADS = 2
/** Batches that wait; more are refused at once. */
const MOST_WAITING = 200
/** Slates that go to a thread together: few enough that others get their turn. */
const TOGETHER = 25
const LONGEST_MS = 3000
const MEGABYTES = 600
const IDLE_MS = 60_000

/** Marks in threads of its own. `script` is the marker's; what takes too long or too much memory ends its thread. */
export function markingPool(
  script: string,
  { milliseconds = LONGEST_MS, execArgv }: { milliseconds?: number; execArgv?: string[] } = {},
): Marking {
  const pool = new Piscina<Batch, Marked>({
    filename: script,
    minThreads: 0,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MEGABYTES },
    // Otherwise the process's own, of which not all may be said to a thread.
    ...(execArgv && { execArgv }),
  })

  async function run(batch: Batch): Promise<[string, Result<Outcomes, MarkingRefusal>][]> {
    // Whoever waits has the time of those before them as well.
    const patience = milliseconds * (1 + Math.ceil(pool.queueSize / THREADS))
    try {
      const marked = await pool.run(batch, { signal: AbortSignal.timeout(patience) })
      return batch.slates.map((slate, i) => [slate.id, read(slate, marked[i]!)])
    } catch (error) {
      const refused = refusalOf(error)
      if (!refused) throw error
      // The one that is too heavy is told from those that only came with it.
      if (refused === 'too-heavy' && batch.slates.length > 1)
        return (await Promise.all(batch.slates.map(slate => run({ ...batch, slates: [slate] })))).flat()
      return batch.slates.map(slate => [slate.id, refuse(refused)])
    }
  }

  return {
    async mark(batch) {
      const parts = Array.from({ length: Math.ceil(batch.slates.length / TOGETHER) }, (_, i) =>
        batch.slates.slice(i * TOGETHER, (i + 1) * TOGETHER),
      )
      return new Map((await Promise.all(parts.map(slates => run({ ...batch, slates })))).flat())
    },
    stop: () => pool.destroy(),
  }
}

function read(slate: ToMark, marked: Marked[number]): Result<Outcomes, MarkingRefusal> {
  if (!('error' in marked)) return ok(marked)
  log.error({ slate: slate.id, error: marked.error }, 'a slate could not be marked')
  return refuse('unreadable')
}

function refusalOf(error: unknown): PoolRefusal | null {
  const { name, code, message } = error as { name?: string; code?: string; message?: string }
  if (name === 'AbortError' || code === 'ERR_WORKER_OUT_OF_MEMORY') return 'too-heavy'
  return message?.startsWith('Task queue is at limit') ? 'busy' : null
}
