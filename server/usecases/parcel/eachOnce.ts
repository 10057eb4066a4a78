import type { Kysely } from 'kysely'
import { editionFile, FILES } from '../../../core/along/fields'
import { filesOf } from '../../../core/board/files'
import { writeBoardFile, type BoardFile } from '../../../core/format/boardFile'
import { asJson } from '../../../core/format/fileNames'
import type { Database } from '../../database/tables'
import { clipBytes } from '../../files/keepClip'
import type { ZipEntry } from '../../files/zipFile'
import { leftOutOf } from '../boards'

/** Letters of a board file with its pictures and clips in it. */
const LARGEST_WHOLE = 60_000_000

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

  /** A board as a file of its own, as far as one can be read again; what it has no room for lies beside it. */
  async *board(name: string, file: BoardFile, most = LARGEST_WHOLE): AsyncGenerator<ZipEntry> {
    const whole = writeBoardFile(file)
    const kept = whole.length > most ? { ...file, pictures: {}, clips: {} } : file
    yield { name, content: kept === file ? whole : writeBoardFile(kept) }
    yield* this.files(leftOutOf(kept))
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
