import { sql, type Kysely } from 'kysely'

/**
 * What one of several gets alone, beside what they get together; and what goes back at a time. Which slates are meant
 * is null for all that are handed in then.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `alter table reviews add column alone jsonb not null default '{}';
      create table hand_backs (
        handout_id uuid primary key references handouts on delete cascade,
        at timestamptz not null,
        again boolean not null,
        words text not null check (length(words) <= 2000),
        slates jsonb
      );`,
    )
    .execute(db)
}
