import { sql, type Kysely } from 'kysely'

/**
 * Sound and film: files that have a length, and whose bytes stand in pieces, so that any part of them can be had
 * without the rest.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql
    .raw(
      `
    alter table files
      alter column bytes drop not null, alter column pixel_width drop not null, alter column pixel_height drop not null,
      add column size integer check (size > 0), add column seconds real check (seconds > 0),
      drop constraint files_media_type_check,
      add constraint files_media_type_check check (media_type in (
        'image/png', 'image/jpeg', 'image/webp', 'audio/mpeg', 'audio/wav', 'audio/mp4', 'audio/webm', 'audio/ogg', 'video/mp4', 'video/webm')),
      add constraint files_are_pictures_or_clips check (case when media_type like 'image/%'
        then seconds is null and bytes is not null and pixel_width is not null and pixel_height is not null
        else seconds is not null and size is not null and bytes is null end);
    create table file_pieces (
      file_hash text not null references files on delete cascade,
      number integer not null check (number >= 0),
      bytes bytea not null,
      primary key (file_hash, number));
    alter table file_pieces alter column bytes set storage external`,
    )
    .execute(db)
}
