import { Pool } from './pool'

/** The heavy work of a process that may have to be stopped: pictures and files, each in its own place. */
export interface Labour {
  readonly pictures: Pool
  readonly files: Pool
  /** A class on paper takes its time; nothing else waits for it. */
  readonly papers: Pool
  readonly stop: () => void
}

/** `entry` is the script that a process for heavy work is started with: the application's own. */
export function makeLabour(entry: string): Labour {
  const pictures = new Pool(entry, { processes: 2, waiting: 60, milliseconds: 8000, megabytes: 900 })
  const files = new Pool(entry, { processes: 1, waiting: 6, milliseconds: 30_000, megabytes: 1400 })
  const papers = new Pool(entry, { processes: 1, waiting: 20, milliseconds: 240_000, megabytes: 1400 })
  return {
    pictures,
    files,
    papers,
    stop() {
      for (const pool of [pictures, files, papers]) pool.stop()
    },
  }
}
