import { sql, type Kysely } from 'kysely'

/**
 * A parcel that comes from elsewhere is unpacked as others are packed: what it was brought as lies in its pieces until
 * then, and each thing of it that is kept already is noted, so that none comes twice.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `alter table parcels
        drop constraint parcels_kind_check,
        add constraint parcels_kind_check check (kind in ('slates', 'class', 'everything', 'coming'));
      create table parcel_things (
        parcel_id uuid not null references parcels on delete cascade,
        kind text not null check (kind in ('board', 'class', 'rubric', 'sentences')),
        name text not null,
        kept_as uuid,
        slates int not null default 0,
        unread int not null default 0,
        whole boolean not null,
        primary key (parcel_id, kind, name)
      );`,
    )
    .execute(db)
}
