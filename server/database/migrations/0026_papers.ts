import { sql, type Kysely } from 'kysely'

/** Papers of a handout that take a while to make: what was asked for, how far it is, and the file once it is there. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table papers (
        id uuid primary key default gen_random_uuid(),
        handout_id uuid not null references handouts on delete cascade,
        teacher_id uuid not null references teachers on delete cascade,
        title text not null,
        "order" jsonb not null,
        status text not null default 'waiting' check (status in ('waiting', 'making', 'ready', 'failed')),
        done int not null default 0,
        "of" int not null default 0,
        sheets int,
        asked_at timestamptz not null default now()
      );
      create index papers_by_handout on papers (handout_id, teacher_id, asked_at);
      create table paper_pieces (
        paper_id uuid not null references papers on delete cascade,
        number int not null,
        bytes bytea not null,
        primary key (paper_id, number)
      );`,
    )
    .execute(db)
}
