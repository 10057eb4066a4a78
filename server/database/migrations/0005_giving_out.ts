import { sql, type Kysely } from 'kysely'

/** What goes with a handout, to whom it went, and when it goes. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `alter table classes add column time_zone text not null default 'Europe/London' check (length(time_zone) between 1 and 60)`,
    `alter table handouts
      add column word text not null default '' check (length(word) <= 500),
      add column due_on date,
      add column due_time time,
      add column hand_in boolean not null default true,
      add column whole_class boolean not null default true,
      add check (due_time is null or due_on is not null)`,
    'create index handouts_by_due on handouts (class_id, due_on) where due_on is not null',
  ]
  for (const statement of statements) await sql.raw(statement).execute(db)
}
