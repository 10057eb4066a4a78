import { sql, type Kysely } from 'kysely'

/** What a teacher does with a class at work: a timer, slates that are handed in for all at once, and
 * who was looked after.  */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `create table timers (
        handout_id uuid primary key references handouts on delete cascade,
        ends_at timestamptz not null,
        countdown_s smallint not null check (countdown_s between 0 and 60),
        at_end text not null check (at_end in ('nothing', 'pencils-down', 'hand-in')),
        on_slates boolean not null,
        done_at timestamptz
      );
      alter table slates add column collected_at timestamptz, add column seen_at timestamptz;`,
    )
    .execute(db)
}
