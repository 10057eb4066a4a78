import { sql, type Kysely } from 'kysely'

/**
 * What leaves as a file and takes a while is a parcel, whatever is in it: slates on paper, a class's year, all that a
 * teacher has. Papers that were under way are asked for again.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `update papers set status = 'failed' where status in ('waiting', 'making');
      alter table papers rename to parcels;
      alter index papers_by_handout rename to parcels_by_handout;
      alter table parcels
        add column kind text not null default 'slates' check (kind in ('slates', 'class', 'everything')),
        add column class_id uuid references classes on delete cascade,
        alter column handout_id drop not null,
        alter column "order" drop not null,
        add check ((kind = 'slates') = (handout_id is not null and "order" is not null)),
        add check ((kind = 'class') = (class_id is not null));
      create index parcels_by_teacher on parcels (teacher_id, asked_at);
      alter table paper_pieces rename to parcel_pieces;
      alter table parcel_pieces rename column paper_id to parcel_id;`,
    )
    .execute(db)
}
