import { createHash } from 'node:crypto'
import type { Kysely, Transaction } from 'kysely'
import type { Board } from '../../core/board/board'
import { makeEdition, withoutSeed, type Edition } from '../../core/board/edition'
import { filesOf } from '../../core/board/files'
import { canonicalJson } from '../../core/format/canonical'
import type { Database } from './tables'

/** What an edition goes by: boards of the same content have the same. */
export function editionHash(board: Board): string {
  return createHash('sha256')
    .update(canonicalJson(withoutSeed(board)))
    .digest('hex')
}

/** Freezes a board; the same content is stored once, however often it is given out. */
export async function keepEdition(trx: Transaction<Database>, board: Board): Promise<string> {
  const document = canonicalJson(withoutSeed(board))
  const hash = editionHash(board)
  await trx
    .insertInto('editions')
    .values({ hash, document })
    .onConflict(c => c.doNothing())
    .execute()
  const files = filesOf(board)
  if (files.length) {
    await trx
      .insertInto('edition_files')
      .values(files.map(file_hash => ({ edition_hash: hash, file_hash })))
      .onConflict(c => c.doNothing())
      .execute()
  }
  return hash
}

const KEPT_EDITIONS = 200

/** Editions never change, so what was read once is read for good; the longest unused is forgotten first. */
export class EditionCache {
  private readonly kept = new Map<string, Edition>()

  async get(db: Kysely<Database>, hash: string): Promise<Edition> {
    const known = this.kept.get(hash)
    if (known) {
      this.kept.delete(hash)
      this.kept.set(hash, known)
      return known
    }
    const row = await db.selectFrom('editions').select('document').where('hash', '=', hash).executeTakeFirstOrThrow()
    const edition = makeEdition(row.document)
    this.kept.set(hash, edition)
    if (this.kept.size > KEPT_EDITIONS) this.kept.delete(this.kept.keys().next().value!)
    return edition
  }
}
