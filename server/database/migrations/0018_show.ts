import { sql, type Kysely } from 'kysely'

/** What stands on the class screen of a lesson. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table screens (
        handout_id uuid primary key references handouts on delete cascade,
        show jsonb not null,
        shown_at timestamptz not null
      )`,
    )
    .execute(db)
}
