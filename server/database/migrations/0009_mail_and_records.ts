import { sql, type Kysely } from 'kysely'

/**
 * Links that are mailed to a teacher and open once; whether an address has been proven by one; what the school's
 * records call a class.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    'alter table teachers add column email_proven_at timestamptz',
    // Only what a link hashes to is kept: whoever reads the table can open nothing.
    `create table mailed_links (
      hash text primary key,
      teacher_id uuid not null references teachers on delete cascade,
      purpose text not null check (purpose in ('new-password', 'prove-address')),
      ends_at timestamptz not null)`,
    'create index mailed_links_by_teacher on mailed_links (teacher_id)',
    // When a device of theirs was last there: one statement of each process now and then.
    'alter table sessions add column seen_at timestamptz not null default now()',
    `alter table classes add column record text check (length(record) between 1 and 80)`,
  ]
  for (const statement of statements) await sql.raw(statement).execute(db)
}
