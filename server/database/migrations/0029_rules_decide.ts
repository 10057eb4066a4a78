import { sql, type Kysely } from 'kysely'

/** The rules of a handout decide on moves, and who comes onto a frame takes a part that was free: both count. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `drop trigger handouts_next_epoch on handouts;
      create trigger handouts_next_epoch after update on handouts for each row when (
          old.paused_at is distinct from new.paused_at or old.closed_at is distinct from new.closed_at
          or old.rules is distinct from new.rules)
        execute function next_epoch_of_handout();
      create function next_epoch_of_newcomer() returns trigger language plpgsql as $$
        begin update slates set epoch = epoch + 1 where id = new.slate_id; return null; end $$;
      create trigger slate_members_next_epoch_too after insert on slate_members for each row
        when (new.part is not null) execute function next_epoch_of_newcomer()`,
    )
    .execute(db)
}
