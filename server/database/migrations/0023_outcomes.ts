import { sql, type Kysely } from 'kysely'

/** What the keys say of slates, so that nothing is marked twice; and what a review rested on. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table outcomes (
        slate_id uuid not null references slates on delete cascade,
        number integer not null check (number >= 0),
        edition_hash text not null references editions (hash),
        /* How often another edition was laid under the slate before: two laid in turn carry the work otherwise. */
        turn integer not null,
        marker integer not null,
        keys jsonb not null,
        /* Where each piece lies. */
        lies jsonb not null,
        at timestamptz not null default now(),
        primary key (slate_id, number, turn, marker)
      );
      alter table reviews add column number integer, add column turn integer, add column marker integer;`,
    )
    .execute(db)
}
