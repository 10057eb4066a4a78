import { open, stat } from 'node:fs/promises'
import { join } from 'node:path'
import type { Kysely } from 'kysely'
import { withDecisions } from '../../core/keys/mark'
import type { KeyMark } from '../../core/keys/outcome'
import type { SlatesOrder } from '../../core/paper/slatesOrder'
import type { PaperInList } from '../../core/paper/status'
import { inHalves } from '../../core/handout/review'
import { ok, refuse, type Result } from '../../core/result'
import { USUAL_LANGUAGE } from '../../core/text/spoken'
import type { Database } from '../database/tables'
import { withFolder } from '../files/folder'
import { log } from '../log'
import { loadStates } from '../database/loadState'
import { keepPart, PAPER_FILE } from '../papers/parts'
import type { SlateOnPaper } from '../papers/slatesPaper'
import type { Services } from '../services'
import { picturesFor } from './papers'
import { marginOf, reviewOf } from './review'
import { byNames } from './slates'

type Db = Kysely<Database>
type Made = Pick<Services, 'db' | 'engine' | 'outcomes' | 'labour'>

/** Papers of one teacher that are under way at once, and those of a handout that are kept. */
const MOST_UNDER_WAY = 3
const KEPT = 6
const PIECE = 1024 * 1024

/** Asks for a handout's slates on paper; it is made by whichever process comes to it first. */
export function orderPaper(
  { db, jobs }: Pick<Services, 'db' | 'jobs'>,
  { handout, teacher, order }: { readonly handout: string; readonly teacher: string; readonly order: SlatesOrder },
): Promise<Result<{ id: string }, 'busy'>> {
  return db.transaction().execute(async trx => {
    await trx.selectFrom('teachers').select('id').where('id', '=', teacher).forUpdate().executeTakeFirst()
    const before = await trx
      .selectFrom('papers')
      .select(['id', 'status', 'handout_id'])
      .where('teacher_id', '=', teacher)
      .orderBy('asked_at', 'desc')
      .execute()
    if (before.filter(({ status }) => status === 'waiting' || status === 'making').length >= MOST_UNDER_WAY)
      return refuse('busy')
    const old = before.filter(one => one.handout_id === handout).slice(KEPT - 1)
    if (old.length)
      await trx
        .deleteFrom('papers')
        .where(
          'id',
          'in',
          old.map(one => one.id),
        )
        .execute()
    const { title, name } = await trx
      .selectFrom('handouts')
      .innerJoin('boards', 'boards.id', 'handouts.board_id')
      .innerJoin('classes', 'classes.id', 'handouts.class_id')
      .select(['boards.title', 'classes.name'])
      .where('handouts.id', '=', handout)
      .executeTakeFirstOrThrow()
    const { id } = await trx
      .insertInto('papers')
      .values({ handout_id: handout, teacher_id: teacher, title: `${title} · ${name}`, order: JSON.stringify(order) })
      .returning('id')
      .executeTakeFirstOrThrow()
    await jobs.at(trx, new Date(), { name: 'paper', about: id })
    return ok({ id })
  })
}

/** A teacher's own papers of a handout, the newest first. */
export async function papersOf(db: Db, handout: string, teacher: string): Promise<PaperInList[]> {
  const rows = await db
    .selectFrom('papers')
    .select(['id', 'title', 'status', 'done', 'of', 'sheets', 'asked_at'])
    .where('handout_id', '=', handout)
    .where('teacher_id', '=', teacher)
    .orderBy('asked_at', 'desc')
    .execute()
  return rows.map(({ asked_at, ...row }) => ({ ...row, askedAt: asked_at.toISOString() }))
}

/** The file of a teacher's own paper, piece by piece; null while there is none. */
export async function paperFile(db: Db, id: string, { handout, teacher }: { handout: string; teacher: string }) {
  const paper = await db
    .selectFrom('papers')
    .select(['title', 'status'])
    .where('id', '=', id)
    .where('handout_id', '=', handout)
    .where('teacher_id', '=', teacher)
    .executeTakeFirst()
  if (paper?.status !== 'ready') return null
  return { title: paper.title, pieces: piecesOf(db, id) }
}

async function* piecesOf(db: Db, id: string): AsyncGenerator<Buffer> {
  for (let number = 0; ; number++) {
    const piece = await db
      .selectFrom('paper_pieces')
      .select('bytes')
      .where('paper_id', '=', id)
      .where('number', '=', number)
      .executeTakeFirst()
    if (!piece) return
    yield piece.bytes
  }
}

/**
 * Makes a paper that was asked for; one that is there already, or was dropped meanwhile, is left as it is. Broken off
 * in the middle it is made anew from the beginning.
 */
export async function makePaper(services: Made, id: string): Promise<void> {
  const { db } = services
  const paper = await db
    .updateTable('papers')
    .set({ status: 'making', done: 0 })
    .where('id', '=', id)
    .where('status', 'in', ['waiting', 'making'])
    .returning(['handout_id', 'order', 'title', 'teacher_id'])
    .executeTakeFirst()
  if (!paper) return
  try {
    const made = await withFolder(folder => makeIn(folder, services, { id, ...paper }))
    if (!made) await db.updateTable('papers').set({ status: 'failed' }).where('id', '=', id).execute()
  } catch (error) {
    await db.updateTable('papers').set({ status: 'failed' }).where('id', '=', id).execute()
    log.error({ error: error instanceof Error ? error.message : error, paper: id }, 'a paper could not be made')
  }
}

interface Asked {
  readonly id: string
  readonly handout_id: string
  readonly order: SlatesOrder
  readonly title: string
  readonly teacher_id: string
}

async function makeIn(folder: string, services: Made, { id, handout_id, order, title, teacher_id }: Asked) {
  const { db, labour } = services
  const { name: author } = await db
    .selectFrom('teachers')
    .select('name')
    .where('id', '=', teacher_id)
    .executeTakeFirstOrThrow()
  const rows = await slatesOf(db, handout_id)
  await db.updateTable('papers').set({ of: rows.length }).where('id', '=', id).execute()
  let count = 0
  for (const row of rows) {
    const part = await partOf(services, row, order)
    if (part) await keepPart(folder, count++, part)
  }
  const language = USUAL_LANGUAGE
  let told = Promise.resolve<unknown>(null)
  const progress = (done: number) => {
    told = told.then(() => db.updateTable('papers').set({ done }).where('id', '=', id).execute())
  }
  const info = { title, author, language, made: new Date() }
  const made = await labour.papers.do('slates-paper', { folder, count, order, info }, progress)
  await told
  if (!made.ok) return false
  const path = join(folder, PAPER_FILE)
  const { size } = await stat(path)
  const file = await open(path)
  try {
    await db.transaction().execute(async trx => {
      await trx.deleteFrom('paper_pieces').where('paper_id', '=', id).execute()
      for (let number = 0; number * PIECE < size; number++) {
        const bytes = Buffer.alloc(Math.min(PIECE, size - number * PIECE))
        await file.read(bytes, 0, bytes.length, number * PIECE)
        await trx.insertInto('paper_pieces').values({ paper_id: id, number, bytes }).execute()
      }
      await trx.updateTable('papers').set({ status: 'ready', sheets: made.value }).where('id', '=', id).execute()
    })
  } finally {
    await file.close()
  }
  return true
}

/** Slates on which something was done, in the order of their names. */
async function slatesOf(db: Db, handout: string) {
  const rows = await db
    .selectFrom('slates')
    .innerJoin('handouts', 'handouts.id', 'slates.handout_id')
    .select([
      'slates.id',
      'slates.edition_hash as edition',
      'slates.last_number as last',
      'handouts.counts',
      'handouts.points as mostPoints',
      'handouts.rubric',
    ])
    .where('slates.handout_id', '=', handout)
    .where('slates.status', '!=', 'not-opened')
    .execute()
  return byNames(db, rows)
}
type SlateRow = Awaited<ReturnType<typeof slatesOf>>[number]

/** Null for a slate that can't be read. */
async function partOf(
  { db, engine, outcomes }: Pick<Made, 'db' | 'engine' | 'outcomes'>,
  row: SlateRow,
  order: SlatesOrder,
): Promise<SlateOnPaper | null> {
  const loaded = (await loadStates(db, engine.editions, [row])).get(row.id)
  if (!loaded) return null
  const { board } = await engine.editions.get(db, row.edition)
  const { state } = loaded
  const plain = {
    name: order.names ? row.name : '',
    board,
    state,
    pictures: await picturesFor(db, board, { id: row.id, state }),
  }
  if (!order.marked) return { ...plain, marks: [], margin: [], comment: '', counted: '' }
  const review = await reviewOf(db, row.id)
  const marked = await outcomes.ofOne(row.id)
  const keys = marked.ok ? withDecisions(marked.value.keys, review.decisions) : []
  const margin = await marginOf(db, row.id)
  return {
    ...plain,
    marks: keys.flatMap(({ items }) => items.map(({ item, is, verdict }) => ({ item, is, verdict }))),
    margin: margin.map(({ id, item, at }) => ({ id, item, at })),
    comment: review.comment,
    counted: countedAs(row, review, keys),
  }
}

/** What it counts for, in a line: the teacher's points, else those by the key; levels by their names. */
function countedAs(
  { counts, mostPoints, rubric }: Pick<SlateRow, 'counts' | 'mostPoints' | 'rubric'>,
  { points, levels }: Awaited<ReturnType<typeof reviewOf>>,
  keys: readonly KeyMark[],
): string {
  if (counts === 'points') {
    if (points !== null) return `${points} / ${mostPoints}`
    const [got, of] = [keys.reduce((sum, key) => sum + key.points, 0), keys.reduce((sum, key) => sum + key.of, 0)]
    return of && mostPoints !== null ? `${inHalves(got / of, mostPoints)} / ${mostPoints}` : ''
  }
  if (counts !== 'rubric' || !rubric) return ''
  return rubric.criteria
    .flatMap(({ name, levels: named }, i) => {
      const level = named[levels[String(i)] ?? -1]
      return level ? [`${name}: ${level.name}`] : []
    })
    .join('\n')
}
