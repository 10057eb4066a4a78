import { sql, type Kysely } from 'kysely'

/**
 * Questions that students ask in a lesson and vote for. Whoever votes twice has changed their mind: there is one row.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table jars (
        handout_id uuid primary key references handouts on delete cascade,
        is_open boolean not null,
        named boolean not null
      );
      create table questions (
        id uuid primary key,
        number bigint generated always as identity,
        handout_id uuid not null references handouts on delete cascade,
        student_id uuid not null references students on delete cascade,
        words text not null check (length(words) between 1 and 300),
        /* As the jar was when it was asked: a promise that is kept when the jar is set otherwise later. */
        named boolean not null,
        at timestamptz not null default now(),
        answered_at timestamptz,
        hidden_at timestamptz,
        hidden_by uuid references teachers on delete set null
      );
      create index questions_by_handout on questions (handout_id, number);
      create table question_votes (
        question_id uuid not null references questions on delete cascade,
        student_id uuid not null references students on delete cascade,
        vote smallint not null check (vote in (-1, 1)),
        primary key (question_id, student_id)
      );`,
    )
    .execute(db)
}
