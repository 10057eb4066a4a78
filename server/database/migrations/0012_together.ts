import { sql, type Kysely } from 'kysely'

/**
 * Work done together: who is done, what is said beside the page, the rules of a handout, and tries that came before.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `alter table handouts add column rules jsonb not null default '{}'`,
    'alter table slate_members add column done_at timestamptz',
    // The id is made by who speaks, so that what is sent twice stands there once.
    `create table talk (
      id text not null check (id ~ '^[A-Za-z0-9_-]{8,40}$'),
      slate_id uuid not null references slates on delete cascade,
      number integer generated always as identity,
      by text not null,
      words text not null check (length(words) between 1 and 400),
      about uuid references margins on delete cascade,
      at timestamptz not null default now(),
      hidden_at timestamptz,
      primary key (slate_id, id))`,
    // What a student had made when a new try began; never changed.
    `create table tries (
      slate_id uuid not null references slates on delete cascade,
      turn integer not null check (turn between 1 and 50),
      number integer not null,
      edition_hash text not null references editions,
      state jsonb not null,
      review jsonb,
      ended_at timestamptz not null default now(),
      primary key (slate_id, turn))`,
  ]
  for (const statement of statements) await sql.raw(statement).execute(db)
}
