import { sql, type Kysely, type RawBuilder } from 'kysely'
import type { Database } from './tables'

/**
 * The moment by the database's clock. By it alone it is decided what is over, due or late: of several processes each
 * has a clock of its own, and none of them is right.
 */
export const NOW: RawBuilder<Date> = sql<Date>`clock_timestamp()`

export async function clockOf(db: Kysely<Database>): Promise<Date> {
  const { rows } = await sql<{ now: Date }>`select ${NOW} as now`.execute(db)
  return rows[0]!.now
}
