import { sql, type Kysely } from 'kysely'

/** Whether the pages that a board holds back are open in a handout. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw('alter table handouts add column held_opened boolean not null default false').execute(db)
}
