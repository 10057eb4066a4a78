import { sql, type Kysely } from 'kysely'

/**
 * Notes can be about a place or a spot of the page, not only a piece, and can be spoken. A sentence that a teacher
 * said is known by what it was said about, so that it is offered there first.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `update margins
        set item = (item - 'piece') || jsonb_build_object('at', jsonb_build_object('to', 'piece', 'piece', item->'piece'))
        where item->>'kind' = 'note' and item ? 'piece';
      create index margins_by_file on margins ((item->>'file')) where item->>'kind' = 'spoken';
      create table sentence_items (
        teacher_id uuid not null,
        words text not null,
        /* The id of a piece or a place: they are made once and kept by every edition. */
        about text not null,
        used integer not null default 1,
        primary key (teacher_id, words, about),
        foreign key (teacher_id, words) references sentences (teacher_id, words) on delete cascade
      );`,
    )
    .execute(db)
}
