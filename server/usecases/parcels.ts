import { join } from 'node:path'
import type { Kysely, Transaction } from 'kysely'
import type { PackedKind, ParcelInList } from '../../core/paper/parcel'
import type { SlatesOrder } from '../../core/paper/slatesOrder'
import { ok, type Result } from '../../core/result'
import { USUAL_LANGUAGE } from '../../core/text/spoken'
import type { Database, Row } from '../database/tables'
import { withFolder } from '../files/folder'
import { writeZip, type ZipEntry } from '../files/zipFile'
import { isAway } from '../http/errors'
import { log } from '../log'
import type { Services } from '../services'
import { classYear, type Packing } from './parcel/classYear'
import { keepPieces, makeRoom, parcelsAbout, piecesOf, type AboutParcels } from './parcelPieces'
import { drawSlates, type Made } from './parcel/drawSlates'
import { everything } from './parcel/everything'

type Db = Kysely<Database>

/** What a parcel is of. */
export type ParcelOf =
  | { readonly kind: 'slates'; readonly handout: string; readonly order: SlatesOrder }
  | { readonly kind: 'class'; readonly classId: string }
  | { readonly kind: 'everything' }
/** What is listed together. */
export type ParcelsOf = AboutParcels & { readonly kind: PackedKind }

/** Asks for a parcel; it is packed by whichever process comes to it first. */
export function orderParcel(
  { db, jobs }: Pick<Services, 'db' | 'jobs'>,
  teacher: string,
  of: ParcelOf,
): Promise<Result<{ id: string }, 'busy'>> {
  return db.transaction().execute(async trx => {
    const room = await makeRoom(trx, teacher, aboutOf(of))
    if (!room.ok) return room
    const { id } = await trx
      .insertInto('parcels')
      .values({
        kind: of.kind,
        teacher_id: teacher,
        handout_id: of.kind === 'slates' ? of.handout : null,
        order: of.kind === 'slates' ? JSON.stringify(of.order) : null,
        class_id: of.kind === 'class' ? of.classId : null,
        title: await titleFor(trx, of),
      })
      .returning('id')
      .executeTakeFirstOrThrow()
    await jobs.at(trx, new Date(), { name: 'parcel', about: id })
    return ok({ id })
  })
}

const aboutOf = (of: ParcelOf): ParcelsOf => (of.kind === 'slates' ? { kind: of.kind, handout: of.handout } : of)

async function titleFor(trx: Transaction<Database>, of: ParcelOf): Promise<string> {
  if (of.kind === 'everything') return `everything ${new Date().toISOString().slice(0, 10)}`
  if (of.kind === 'class') {
    const { name } = await trx
      .selectFrom('classes')
      .select('name')
      .where('id', '=', of.classId)
      .executeTakeFirstOrThrow()
    return name
  }
  const { title, name } = await trx
    .selectFrom('handouts')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .innerJoin('classes', 'classes.id', 'handouts.class_id')
    .select(['boards.title', 'classes.name'])
    .where('handouts.id', '=', of.handout)
    .executeTakeFirstOrThrow()
  return `${title} · ${name}`
}

/** A teacher's own parcels of one thing, the newest first. */
export async function parcelsOf(db: Db, teacher: string, of: ParcelsOf): Promise<ParcelInList[]> {
  const rows = await parcelsAbout(db, teacher, of)
    .select(['id', 'title', 'status', 'done', 'of', 'sheets', 'asked_at'])
    .orderBy('asked_at', 'desc')
    .execute()
  return rows.map(({ asked_at, ...row }) => ({ ...row, askedAt: asked_at.toISOString() }))
}

/** The file of a teacher's own parcel, piece by piece; null while there is none. */
export async function parcelFile(db: Db, teacher: string, of: ParcelsOf & { readonly id: string }) {
  const parcel = await parcelsAbout(db, teacher, of)
    .select(['title', 'status'])
    .where('id', '=', of.id)
    .executeTakeFirst()
  if (parcel?.status !== 'ready') return null
  return { title: parcel.title, pieces: piecesOf(db, of.id) }
}

/**
 * Packs a parcel that was asked for; one that is there already, or was dropped meanwhile, is left as it is. Broken off
 * in the middle it is packed anew from the beginning.
 */
export async function packParcel(services: Made, id: string): Promise<void> {
  const { db } = services
  const parcel = await db
    .updateTable('parcels')
    .set({ status: 'making', done: 0 })
    .where('id', '=', id)
    .where('kind', '!=', 'coming')
    .where('status', 'in', ['waiting', 'making'])
    .returningAll()
    .executeTakeFirst()
  if (!parcel) return
  try {
    const packed = await withFolder(folder => packIn(folder, services, parcel))
    if (!packed) await db.updateTable('parcels').set({ status: 'failed' }).where('id', '=', id).execute()
  } catch (error) {
    // It is packed anew when the database is there again.
    if (isAway(error)) throw error
    await db.updateTable('parcels').set({ status: 'failed' }).where('id', '=', id).execute()
    log.error({ error: error instanceof Error ? error.message : error, parcel: id }, 'a parcel could not be packed')
  }
}

type Parcel = Row<'parcels'>
type Pack = (
  services: Made,
  parcel: Parcel,
  packing: Packing,
) => Promise<{ path: string; sheets: number | null } | null>

const PACKS: { readonly [Kind in PackedKind]: Pack } = {
  slates: (services, { handout_id, order, title }, { folder, author, begun, progress }) =>
    drawSlates(folder, services, {
      handout: handout_id!,
      order: order!,
      info: { title, author, language: USUAL_LANGUAGE, made: new Date() },
      begun,
      progress,
    }),
  class: (services, { class_id }, packing) => zipped(packing, classYear(services, class_id!, packing)),
  everything: ({ db }, { teacher_id }, packing) => zipped(packing, everything(db, teacher_id, packing)),
}

async function zipped({ folder }: Packing, entries: AsyncIterable<ZipEntry>) {
  const path = join(folder, 'parcel.zip')
  await writeZip(path, entries)
  return { path, sheets: null }
}

async function packIn(folder: string, services: Made, parcel: Parcel): Promise<boolean> {
  const { db } = services
  const { id, kind, teacher_id } = parcel
  const { name: author } = await db
    .selectFrom('teachers')
    .select('name')
    .where('id', '=', teacher_id)
    .executeTakeFirstOrThrow()
  const note = (how: { done: number } | { of: number }) =>
    db.updateTable('parcels').set(how).where('id', '=', id).execute()
  let told = Promise.resolve<unknown>(null)
  const packed = await PACKS[kind as PackedKind](services, parcel, {
    folder,
    author,
    begun: of => note({ of }),
    progress: done => void (told = told.then(() => note({ done }))),
  })
  await told
  if (!packed) return false
  await db.transaction().execute(async trx => {
    await keepPieces(trx, id, packed.path)
    await trx.updateTable('parcels').set({ status: 'ready', sheets: packed.sheets }).where('id', '=', id).execute()
  })
  return true
}
