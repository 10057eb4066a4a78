import { sql, type Kysely } from 'kysely'

/** What a teacher says at a slate while its people work, and the sentences that a teacher uses. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `/* Seen by those who work, before it is handed back. */
      alter table margins add column shown boolean not null default false;
      create table nudges (
        id uuid primary key default gen_random_uuid(),
        slate_id uuid not null references slates on delete cascade,
        handout_id uuid not null references handouts on delete cascade,
        teacher_id uuid references teachers on delete set null,
        words text not null check (length(words) between 1 and 200),
        at timestamptz not null default now(),
        seen_at timestamptz
      );
      create index nudges_by_slate on nudges (slate_id, at);
      create index nudges_by_handout on nudges (handout_id, at);
      create table sentences (
        teacher_id uuid not null references teachers on delete cascade,
        words text not null check (length(words) between 1 and 500),
        used int not null default 1,
        used_at timestamptz not null default now(),
        primary key (teacher_id, words)
      );`,
    )
    .execute(db)
}
