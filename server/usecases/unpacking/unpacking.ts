import type { Result } from '../../../core/result'
import type { Pool, PoolRefusal } from '../../labour/pool'
import type { TaskInput, TaskName, TaskOutput } from '../../labour/tasks'
import type { Services } from '../../services'
import type { Editions } from './editions'
import type { BroughtFiles } from './files'

/** What a parcel is unpacked with, and where. */
export interface Unpacking {
  readonly services: Pick<Services, 'db' | 'wire' | 'labour' | 'engine'>
  readonly teacher: string
  /** The zip. */
  readonly path: string
  readonly files: BroughtFiles
  readonly editions: Editions
  /** Boards that are kept, by their files. */
  readonly boards: Map<string, string>
  /** One more board, class or slate is done with. */
  readonly step: () => void
}

/** A moment of a file as the database takes it. */
export const date = (moment: string | null) => (moment === null ? null : new Date(moment))

const AGAIN_MS = 500
const MOST_WAITS = 240

/** Has something done that nobody waits for before a screen: while others are served first it comes again. */
export async function patiently<Name extends TaskName>(
  pool: Pool,
  name: Name,
  input: TaskInput<Name>,
): Promise<Result<TaskOutput<Name>, PoolRefusal>> {
  for (let waits = 0; ; waits++) {
    const done = await pool.do(name, input)
    if (done.ok || done.reason !== 'busy' || waits >= MOST_WAITS) return done
    await new Promise(resolve => setTimeout(resolve, AGAIN_MS))
  }
}
