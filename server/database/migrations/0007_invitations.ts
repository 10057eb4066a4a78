import { sql, type Kysely } from 'kysely'

/** A link by which another teacher comes to help with a class; null when nobody is asked. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table classes add column invite text unique check (length(invite) between 20 and 40)`.execute(db)
}
