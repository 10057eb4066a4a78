import { sql, type Kysely } from 'kysely'

/** When not all that was to go back by itself could: it is tried again, and stands there until it has gone. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw('alter table hand_backs add column failed_at timestamptz').execute(db)
}
