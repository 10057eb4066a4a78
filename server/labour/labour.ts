import { Pool } from './pool'

/**
 * The heavy work of a process: pictures and files in one place, marking in another, so that neither waits for the
 * other.
 */
export interface Labour {
  readonly pictures: Pool
  readonly files: Pool
  readonly marking: Pool
  readonly stop: () => void
}

/** `entry` is the script that a process for heavy work is started with: the application's own. */
export function makeLabour(entry: string): Labour {
  const pictures = new Pool(entry, { processes: 2, waiting: 60, milliseconds: 8000, megabytes: 900 })
  const files = new Pool(entry, { processes: 1, waiting: 6, milliseconds: 30_000, megabytes: 1400 })
  const marking = new Pool(entry, { processes: 1, waiting: 60, milliseconds: 3000, megabytes: 600 })
  return {
    pictures,
    files,
    marking,
    stop() {
      for (const pool of [pictures, files, marking]) pool.stop()
    },
  }
}
