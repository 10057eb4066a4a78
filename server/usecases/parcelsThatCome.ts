import { createWriteStream } from 'node:fs'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { Kysely } from 'kysely'
import type { CameOut, ComingInList, ThingKind } from '../../core/paper/parcel'
import { ok, type Result } from '../../core/result'
import type { Database } from '../database/tables'
import { withFolder } from '../files/folder'
import { isAway } from '../http/errors'
import type { PoolRefusal } from '../labour/pool'
import { log } from '../log'
import type { ReadEverything } from '../reading/everything'
import type { ReadInRefusal } from '../reading/readIn'
import type { Services } from '../services'
import { dropPieces, keepPieces, makeRoom, piecesOf } from './parcelPieces'
import { keepRubric } from './rubrics'
import { noteSentence } from './sentences'
import { boardIn } from './unpacking/boards'
import { classIn } from './unpacking/classes'
import { Editions } from './unpacking/editions'
import { BroughtFiles } from './unpacking/files'
import { patiently, type Unpacking } from './unpacking/unpacking'

type Db = Kysely<Database>
type Told = Pick<Services, 'db' | 'wire' | 'labour' | 'engine'>

/**
 * Takes what a teacher took along from elsewhere as a file, if it is such a file; it is unpacked meanwhile, beside what
 * is there.
 */
export async function takeParcel(
  { db, jobs, labour }: Pick<Services, 'db' | 'jobs' | 'labour'>,
  teacher: string,
  path: string,
): Promise<Result<{ id: string }, PoolRefusal | ReadInRefusal>> {
  const read = await labour.files.do('everything', path)
  if (!read.ok) return read
  if (!read.value.ok) return read.value
  const made = await db.transaction().execute(async (trx): Promise<Result<{ id: string }, PoolRefusal>> => {
    const room = await makeRoom(trx, teacher, { kind: 'coming' })
    if (!room.ok) return room
    return ok(
      await trx
        .insertInto('parcels')
        .values({ kind: 'coming', teacher_id: teacher, handout_id: null, title: 'everything' })
        .returning('id')
        .executeTakeFirstOrThrow(),
    )
  })
  if (!made.ok) return made
  const { id } = made.value
  // Apart from the row, since it may take minutes, and nothing else of the teacher's is to wait for it.
  try {
    await db.transaction().execute(async trx => {
      await keepPieces(trx, id, path)
      await jobs.at(trx, new Date(), { name: 'unpack', about: id })
    })
  } catch (error) {
    await db.deleteFrom('parcels').where('id', '=', id).execute()
    throw error
  }
  return made
}

/** A teacher's own parcels that came, the newest first, with what has come out of each by now. */
export async function parcelsThatCame(db: Db, teacher: string): Promise<ComingInList[]> {
  const rows = await db
    .selectFrom('parcels')
    .select(['id', 'status', 'done', 'of', 'asked_at'])
    .where('teacher_id', '=', teacher)
    .where('kind', '=', 'coming')
    .orderBy('asked_at', 'desc')
    .execute()
  const things = rows.length
    ? await db
        .selectFrom('parcel_things')
        .select(eb => [
          'parcel_id',
          'kind',
          eb.fn.countAll<string>().as('all'),
          eb.fn.count<string>('kept_as').as('kept'),
          eb.fn.sum<string>('slates').as('slates'),
          eb.fn.sum<string>('unread').as('unread'),
        ])
        .where(
          'parcel_id',
          'in',
          rows.map(row => row.id),
        )
        .where('whole', '=', true)
        .groupBy(['parcel_id', 'kind'])
        .execute()
    : []
  return rows.map(({ asked_at, ...row }) => {
    const mine = things.filter(one => one.parcel_id === row.id)
    const countOf = (kind: ThingKind, which: 'all' | 'kept') =>
      Number(mine.find(one => one.kind === kind)?.[which] ?? 0)
    const sumOf = (what: 'slates' | 'unread') => mine.reduce((sum, one) => sum + Number(one[what]), 0)
    const came: CameOut = {
      boards: countOf('board', 'kept'),
      classes: countOf('class', 'kept'),
      rubrics: countOf('rubric', 'all'),
      slates: sumOf('slates'),
      unread: sumOf('unread'),
    }
    return { ...row, askedAt: asked_at.toISOString(), came }
  })
}

/**
 * Unpacks a parcel that came. Broken off in the middle it goes on where it was: what is kept of it is noted, and a
 * class that was only begun is made anew.
 */
export async function unpackParcel(services: Told, id: string): Promise<void> {
  const { db } = services
  const parcel = await db
    .updateTable('parcels')
    .set({ status: 'making' })
    .where('id', '=', id)
    .where('kind', '=', 'coming')
    .where('status', 'in', ['waiting', 'making'])
    .returning('teacher_id')
    .executeTakeFirst()
  if (!parcel) return
  const end = (status: 'ready' | 'failed') =>
    db.transaction().execute(async trx => {
      await trx.updateTable('parcels').set({ status }).where('id', '=', id).execute()
      await dropPieces(trx, id)
    })
  try {
    await withFolder(async folder => {
      const path = join(folder, `${id}.zip`)
      await pipeline(Readable.from(piecesOf(db, id)), createWriteStream(path))
      const read = await patiently(services.labour.files, 'everything', path)
      if (!read.ok || !read.value.ok) return end('failed')
      await unpack(services, { id, path, teacher: parcel.teacher_id, read: read.value.value })
      return end('ready')
    })
  } catch (error) {
    // It goes on where it was when the database is there again.
    if (isAway(error)) throw error
    await end('failed')
    log.error({ error: error instanceof Error ? error.message : error, parcel: id }, 'a parcel could not be unpacked')
  }
}

interface Came {
  readonly id: string
  readonly path: string
  readonly teacher: string
  readonly read: ReadEverything
}

async function unpack(services: Told, { id, path, teacher, read }: Came): Promise<void> {
  const { db } = services
  const { manifest, classes } = read
  const things = await db.selectFrom('parcel_things').selectAll().where('parcel_id', '=', id).execute()
  const isKept = (kind: ThingKind, name: string) =>
    things.some(thing => thing.kind === kind && thing.name === name && thing.whole)
  const keep = (kind: ThingKind, name: string, how: { kept: string | null; slates?: number; unread: number }) =>
    db
      .insertInto('parcel_things')
      .values({
        parcel_id: id,
        kind,
        name,
        kept_as: how.kept,
        whole: true,
        slates: how.slates ?? 0,
        unread: how.unread,
      })
      .onConflict(c =>
        c
          .columns(['parcel_id', 'kind', 'name'])
          .doUpdateSet(eb => ({
            kept_as: eb.ref('excluded.kept_as'),
            whole: true,
            slates: eb.ref('excluded.slates'),
            unread: eb.ref('excluded.unread'),
          })),
      )
      .execute()
  for (const { kind, kept_as, whole } of things)
    if (kind === 'class' && !whole && kept_as) await db.deleteFrom('classes').where('id', '=', kept_as).execute()

  const slatesIn = (one: ReadEverything['classes'][number]) =>
    one.handouts.reduce((sum, handout) => sum + handout.slates.length, 0)
  const of = manifest.boards.length + classes.reduce((sum, one) => sum + slatesIn(one) + 1, 0)
  let done = 0
  let told = Promise.resolve<unknown>(null)
  const tell = () =>
    (told = told.then(() => db.updateTable('parcels').set({ of, done }).where('id', '=', id).execute()))
  const step = () => {
    done++
    void tell()
  }
  await tell()
  const from = { services, teacher, path }
  const files = new BroughtFiles(from, read.files)
  const boards = new Map(
    things.flatMap(({ kind, name, kept_as }) => (kind === 'board' && kept_as ? [[name, kept_as] as const] : [])),
  )
  const unpacking: Unpacking = { ...from, files, editions: new Editions({ ...from, files }), boards, step }
  for (const board of manifest.boards) {
    if (!isKept('board', board.file)) {
      const kept = await boardIn(unpacking, board)
      if (kept) boards.set(board.file, kept.id)
      await keep('board', board.file, { kept: kept?.id ?? null, unread: kept ? kept.missing : 1 })
    }
    step()
  }
  for (const { file } of manifest.classes)
    if (!classes.some(one => one.name === file)) await keep('class', file, { kept: null, unread: 1 })
  for (const one of classes) {
    if (isKept('class', one.name)) {
      done += slatesIn(one)
    } else {
      let made: string | null = null
      const begun = (kept_as: string) => {
        made = kept_as
        return db
          .insertInto('parcel_things')
          .values({ parcel_id: id, kind: 'class', name: one.name, kept_as, whole: false })
          .onConflict(c => c.columns(['parcel_id', 'kind', 'name']).doUpdateSet({ kept_as }))
          .execute()
      }
      const came = await classIn(unpacking, one, begun)
      await keep('class', one.name, { kept: came && made, slates: came?.slates ?? 0, unread: came ? came.unread : 1 })
    }
    step()
  }
  for (const rubric of manifest.rubrics) {
    if (isKept('rubric', rubric.name)) continue
    await keepRubric(db, teacher, rubric)
    await keep('rubric', rubric.name, { kept: null, unread: 0 })
  }
  if (!isKept('sentences', 'all')) {
    // The most used is noted last, and so comes first.
    for (const { words } of manifest.sentences.toReversed()) await noteSentence(db, teacher, words)
    await keep('sentences', 'all', { kept: null, unread: 0 })
  }
  await told
}
