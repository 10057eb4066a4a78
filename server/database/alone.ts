import { sql, type Kysely } from 'kysely'
import type { Database } from './tables'

/**
 * Does work that no two processes may do at once; whether it was done. The lock goes with its connection: of a process
 * that dies nothing stays locked, and of a machine that is gone without a word nothing after some twenty seconds.
 */
export function alone(db: Kysely<Database>, what: string, work: () => Promise<unknown>): Promise<boolean> {
  return db.connection().execute(async one => {
    await sql`select set_config('tcp_keepalives_idle', '10', false), set_config('tcp_keepalives_interval', '3', false),
      set_config('tcp_keepalives_count', '3', false)`.execute(one)
    const { rows } = await sql<{
      got: boolean
    }>`select pg_try_advisory_lock(hashtextextended(${what}, 0)) as got`.execute(one)
    if (!rows[0]?.got) return false
    try {
      await work()
      return true
    } finally {
      await sql`select pg_advisory_unlock(hashtextextended(${what}, 0))`.execute(one)
    }
  })
}
