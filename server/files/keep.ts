import type { Kysely } from 'kysely'
import type { Database } from '../database/tables'
import type { Picture } from './picture'

/** Stores a picture under its hash, once however often it comes, and notes whose it is. */
export async function keepPicture(db: Kysely<Database>, teacher: string, picture: Picture): Promise<void> {
  await db.transaction().execute(async trx => {
    await trx
      .insertInto('files')
      .values({
        hash: picture.hash,
        media_type: picture.mediaType,
        bytes: picture.bytes,
        pixel_width: picture.width,
        pixel_height: picture.height,
      })
      .onConflict(c => c.doNothing())
      .execute()
    await trx
      .insertInto('file_owners')
      .values({ file_hash: picture.hash, teacher_id: teacher })
      .onConflict(c => c.doNothing())
      .execute()
  })
}
