import { open } from 'node:fs/promises'
import type { Kysely } from 'kysely'
import { ok, refuse, type Result } from '../../core/result'
import type { Database } from '../database/tables'
import type { ReadClip } from './clip'

/** Bytes of a piece: what is read at once when some of a clip is asked for. */
export const PIECE = 1024 * 1024
/** What one teacher can keep of sound and film, in bytes. */
const MOST_OF_ONE = 2 * 1024 * 1024 * 1024

/** Stores a clip from a file, in pieces, once however often it comes, and notes whose it is. */
export async function keepClip(
  db: Kysely<Database>,
  teacher: string,
  clip: ReadClip,
  path: string,
): Promise<Result<null, 'no-room'>> {
  const file = await open(path)
  try {
    return await db.transaction().execute(async trx => {
      await trx.selectFrom('teachers').select('id').where('id', '=', teacher).forUpdate().executeTakeFirst()
      const { taken } = await trx
        .selectFrom('file_owners')
        .innerJoin('files', 'files.hash', 'file_owners.file_hash')
        .where('teacher_id', '=', teacher)
        .where('files.hash', '!=', clip.hash)
        .select(eb => eb.fn.coalesce(eb.fn.sum<string>('files.size'), eb.lit(0)).as('taken'))
        .executeTakeFirstOrThrow()
      if (Number(taken) + clip.bytes > MOST_OF_ONE) return refuse('no-room')
      const { hash, mediaType, bytes, seconds, width, height } = clip
      const fresh = await trx
        .insertInto('files')
        .values({
          hash,
          media_type: mediaType,
          bytes: null,
          pixel_width: width || null,
          pixel_height: height || null,
          size: bytes,
          seconds,
        })
        .onConflict(c => c.doNothing())
        .returning('hash')
        .executeTakeFirst()
      if (fresh) {
        for (let number = 0; number * PIECE < bytes; number++) {
          const piece = Buffer.alloc(Math.min(PIECE, bytes - number * PIECE))
          await file.read(piece, 0, piece.length, number * PIECE)
          await trx.insertInto('file_pieces').values({ file_hash: hash, number, bytes: piece }).execute()
        }
      }
      await trx
        .insertInto('file_owners')
        .values({ file_hash: hash, teacher_id: teacher })
        .onConflict(c => c.doNothing())
        .execute()
      return ok(null)
    })
  } finally {
    await file.close()
  }
}

/** The bytes of a clip from one to another, both counted, piece by piece as they are taken. */
export async function* clipBytes(
  db: Kysely<Database>,
  hash: string,
  first: number,
  last: number,
): AsyncGenerator<Buffer> {
  for (let number = Math.floor(first / PIECE); number * PIECE <= last; number++) {
    const piece = await db
      .selectFrom('file_pieces')
      .select('bytes')
      .where('file_hash', '=', hash)
      .where('number', '=', number)
      .executeTakeFirstOrThrow()
    yield piece.bytes.subarray(Math.max(0, first - number * PIECE), last + 1 - number * PIECE)
  }
}
