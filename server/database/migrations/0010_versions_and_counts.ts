import { sql, type Kysely } from 'kysely'

/** Other versions of a handout for some students, and what a handout counts for: points, a rubric, or nothing. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `create table handout_versions (
      handout_id uuid not null references handouts on delete cascade,
      number integer not null check (number between 1 and 8),
      name text not null check (length(name) between 1 and 40),
      board_id uuid references boards on delete set null,
      without jsonb not null,
      edition_hash text not null references editions,
      primary key (handout_id, number))`,
    'alter table slates add column version integer, add foreign key (handout_id, version) references handout_versions (handout_id, number)',
    `create table rubrics (
      id uuid primary key default gen_random_uuid(),
      teacher_id uuid not null references teachers on delete cascade,
      name text not null check (length(name) between 1 and 60),
      criteria jsonb not null,
      changed_at timestamptz not null default now(),
      unique (teacher_id, name))`,
    // The rubric as it was when the handout was given out: changed later, it changes nothing here.
    `alter table handouts
      add column counts text not null default 'nothing' check (counts in ('nothing', 'points', 'rubric')),
      add column points integer check (points between 1 and 1000),
      add column rubric jsonb,
      add check ((counts = 'points') = (points is not null)), add check ((counts = 'rubric') = (rubric is not null))`,
    `alter table reviews add column points numeric(7, 2) check (points >= 0), add column levels jsonb not null default '{}'`,
  ]
  for (const statement of statements) await sql.raw(statement).execute(db)
}
