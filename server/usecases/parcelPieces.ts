import { open, stat } from 'node:fs/promises'
import type { Kysely, Transaction } from 'kysely'
import type { ParcelKind } from '../../core/paper/parcel'
import { ok, refuse, type Result } from '../../core/result'
import type { Database } from '../database/tables'

type Db = Kysely<Database>
type Trx = Transaction<Database>

/** Parcels of one teacher that are under way at once, and those about one thing that are kept. */
const MOST_UNDER_WAY = 3
const KEPT = 6
const LOST_AFTER_MS = 24 * 3600 * 1000
const PIECE = 1024 * 1024

/** What parcels are about. */
export interface AboutParcels {
  readonly kind: ParcelKind
  readonly handout?: string
  readonly classId?: string
}

/** A teacher's own. */
export function parcelsAbout(db: Db, teacher: string, { kind, handout, classId }: AboutParcels) {
  const all = db.selectFrom('parcels').where('teacher_id', '=', teacher).where('kind', '=', kind)
  if (handout !== undefined) return all.where('handout_id', '=', handout)
  return classId === undefined ? all : all.where('class_id', '=', classId)
}

/**
 * Room for one more of a teacher's about this: the oldest goes. Refused while as many as may be are under way; one that
 * has been so for more than a day is held for lost.
 */
export async function makeRoom(trx: Trx, teacher: string, about: AboutParcels): Promise<Result<null, 'busy'>> {
  await trx.selectFrom('teachers').select('id').where('id', '=', teacher).forUpdate().executeTakeFirst()
  const { count } = await trx
    .selectFrom('parcels')
    .select(({ fn }) => fn.countAll<string>().as('count'))
    .where('teacher_id', '=', teacher)
    .where('status', 'in', ['waiting', 'making'])
    .where('asked_at', '>', new Date(Date.now() - LOST_AFTER_MS))
    .executeTakeFirstOrThrow()
  if (Number(count) >= MOST_UNDER_WAY) return refuse('busy')
  const before = await parcelsAbout(trx, teacher, about).select('id').orderBy('asked_at', 'desc').execute()
  const old = before.slice(KEPT - 1).map(one => one.id)
  if (old.length) await trx.deleteFrom('parcels').where('id', 'in', old).execute()
  return ok(null)
}

/** The file goes into the database piece by piece: it is there for every process, and gone with what it is of. */
export async function keepPieces(trx: Trx, id: string, path: string): Promise<void> {
  const { size } = await stat(path)
  const file = await open(path)
  try {
    await dropPieces(trx, id)
    for (let number = 0; number * PIECE < size; number++) {
      const bytes = Buffer.alloc(Math.min(PIECE, size - number * PIECE))
      await file.read(bytes, 0, bytes.length, number * PIECE)
      await trx.insertInto('parcel_pieces').values({ parcel_id: id, number, bytes }).execute()
    }
  } finally {
    await file.close()
  }
}

export const dropPieces = (trx: Trx, id: string) =>
  trx.deleteFrom('parcel_pieces').where('parcel_id', '=', id).execute()

export async function* piecesOf(db: Db, id: string): AsyncGenerator<Buffer> {
  for (let number = 0; ; number++) {
    const piece = await db
      .selectFrom('parcel_pieces')
      .select('bytes')
      .where('parcel_id', '=', id)
      .where('number', '=', number)
      .executeTakeFirst()
    if (!piece) return
    yield piece.bytes
  }
}
