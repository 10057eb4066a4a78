import type { Kysely } from 'kysely'
import { editionFile, FILES } from '../../../core/along/fields'
import { filesOf } from '../../../core/board/files'
import { asJson } from '../../../core/format/fileNames'
import type { Database } from '../../database/tables'
import { clipBytes } from '../../files/keepClip'
import type { ZipEntry } from '../../files/zipFile'

/** Where a file with that hash lies in the zip. */
export const fileName = (hash: string, mediaType: string) => `${FILES}${hash}.${mediaType.split('/')[1]}`

/** What several boards, editions and slates share goes into a zip once. */
export class EachOnce {
  readonly #files = new Set<string>()
  readonly #editions = new Set<string>()
  constructor(private readonly db: Kysely<Database>) {}

  /** Pictures and clips, by their hashes; what isn't kept any more is passed over. */
  async *files(hashes: Iterable<string>): AsyncGenerator<ZipEntry> {
    for (const hash of hashes) {
      if (this.#files.has(hash)) continue
      this.#files.add(hash)
      const { db } = this
      const row = await db
        .selectFrom('files')
        .select(['media_type', 'bytes', 'size'])
        .where('hash', '=', hash)
        .executeTakeFirst()
      if (!row) continue
      const { media_type, bytes, size } = row
      const content = bytes ?? { pieces: clipBytes(db, hash, 0, size! - 1) }
      yield { name: fileName(hash, media_type), content, packed: true }
    }
  }

  /** Editions with what they show and play. */
  async *editions(hashes: Iterable<string>): AsyncGenerator<ZipEntry> {
    for (const hash of hashes) {
      if (this.#editions.has(hash)) continue
      this.#editions.add(hash)
      const row = await this.db
        .selectFrom('editions')
        .select('document')
        .where('hash', '=', hash)
        .executeTakeFirstOrThrow()
      yield { name: editionFile(hash), content: asJson(row.document) }
      yield* this.files(filesOf(row.document))
    }
  }
}
