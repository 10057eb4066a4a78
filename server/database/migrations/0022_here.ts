import { sql, type Kysely } from 'kysely'

/** Who has a slate open now, and the headings of own pages that a teacher has taken away from the others. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `/* Written every half minute for all who are there; after a crash nobody is, until they say so again. */
      create unlogged table slates_open (
        slate_id uuid not null references slates on delete cascade,
        student_id uuid not null references students on delete cascade,
        seen_at timestamptz not null default now(),
        primary key (slate_id, student_id)
      );
      alter table slates add column named_at timestamptz, add column name_hidden_at timestamptz;
      update slates set named_at = coalesce(opened_at, moved_at, now()) where kind = 'page' and name is not null;`,
    )
    .execute(db)
}
