import { sql, type Kysely } from 'kysely'

/** Boards that are put away with a way back, and boards that a teacher keeps as own organizers. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table boards add column archived_at timestamptz, add column organizer boolean not null default false`.execute(
    db,
  )
}
