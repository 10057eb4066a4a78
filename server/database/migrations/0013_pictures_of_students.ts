import { sql, type Kysely } from 'kysely'

/** Pictures that students put on slates. The name is their maker's; the bytes stand with all other files. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table slate_pictures (
    slate_id uuid not null references slates on delete cascade,
    id text not null check (id ~ '^[A-Za-z0-9_-]{1,40}$'),
    by text not null,
    file_hash text not null references files,
    at timestamptz not null default now(),
    approved_at timestamptz,
    primary key (slate_id, id))`,
    )
    .execute(db)
}
