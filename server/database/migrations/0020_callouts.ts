import { sql, type Kysely } from 'kysely'

/** Targets that a teacher calls in class, one at a time, and what was built for each. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table callouts (
        id uuid primary key default gen_random_uuid(),
        handout_id uuid not null references handouts on delete cascade,
        number int not null,
        page int not null check (page >= 0),
        target text not null check (length(target) between 1 and 60),
        called_at timestamptz not null default now(),
        ended_at timestamptz,
        unique (handout_id, number)
      );
      create unique index one_callout_at_a_time on callouts (handout_id) where ended_at is null;
      create table builds (
        callout_id uuid not null references callouts on delete cascade,
        slate_id uuid not null references slates on delete cascade,
        /* The last move that belongs to it. */
        number int not null,
        is_there text not null check (is_there in ('there', 'not-yet', 'unsure')),
        way text not null,
        /* Seconds from the call to the last move. */
        after_s int,
        primary key (callout_id, slate_id)
      );`,
    )
    .execute(db)
}
