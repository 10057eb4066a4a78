import type { Transaction } from 'kysely'
import { withoutAnswers } from '../../core/board/edition'
import { ok, refuse, type Result } from '../../core/result'
import type { Database } from '../database/tables'
import type { News } from '../news/news'
import { withNews } from '../news/wire'
import { partOn } from './members'
import type { Services } from '../services'
import { dueOf } from './slates'

type Trx = Transaction<Database>
type Told = Pick<Services, 'db' | 'wire'>

/** What a student begins by coming: an own page from the model, or a frame that they take. */
export type Beginning = 'page' | 'frame'
/**
 * *not-found*: there is nothing to begin. *closed*: nothing begins any more. *elsewhere*: one of them is on a frame
 * already.
 * *too-many*: more than a frame may have. *none-free*: all frames are taken. *full*: this frame has as many as it may.
 */
export type BeginRefusal = 'not-found' | 'closed' | 'elsewhere' | 'too-many' | 'none-free' | 'full'

/** What of their class a student could begin, and hasn't yet. */
export async function beginningsOf({ db, engine }: Pick<Services, 'db' | 'engine'>, student: string) {
  const rows = await db
    .selectFrom('handouts')
    .innerJoin('students', 'students.class_id', 'handouts.class_id')
    .select([
      'handouts.id as handout',
      'handouts.edition_hash',
      'handouts.free',
      'handouts.word',
      'handouts.due_on',
      'handouts.due_time',
      'handouts.hand_in as handIn',
      'handouts.created_at',
    ])
    .where('students.id', '=', student)
    .where('students.left_at', 'is', null)
    .where('handouts.given_at', 'is not', null)
    .where('handouts.closed_at', 'is', null)
    .where(eb => eb.or([eb('handouts.own_pages', '=', true), eb('handouts.free', 'is not', null)]))
    .where(({ not, exists, selectFrom }) =>
      not(
        exists(
          selectFrom('slate_members')
            .select('slate_members.hand')
            .whereRef('slate_members.handout_id', '=', 'handouts.id')
            .whereRef('slate_members.student_id', '=', 'students.id')
            .where('slate_members.until_at', 'is', null),
        ),
      ),
    )
    .orderBy('handouts.created_at', 'desc')
    .limit(MOST_TO_BEGIN)
    .execute()
  return Promise.all(
    rows.map(async ({ edition_hash, free, due_on, due_time, created_at, ...row }) => {
      const { board } = await engine.editions.get(db, edition_hash)
      const begin: Beginning = free ? 'frame' : 'page'
      return {
        ...row,
        begin,
        due: dueOf({ due_on, due_time }),
        title: board.title,
        at: created_at.toISOString(),
        picture: withoutAnswers({ ...board, pages: board.pages.slice(0, 1) }),
      }
    }),
  )
}
const MOST_TO_BEGIN = 30

/** Whoever begins in a handout does so one after the other; null where nothing is given out to their class. */
async function held(trx: Trx, handout: string, student: string) {
  return trx
    .selectFrom('handouts')
    .innerJoin('students', 'students.class_id', 'handouts.class_id')
    .select([
      'handouts.id',
      'handouts.class_id',
      'handouts.edition_hash',
      'handouts.free',
      'handouts.own_pages',
      'handouts.closed_at',
    ])
    .where('handouts.id', '=', handout)
    .where('handouts.given_at', 'is not', null)
    .where('students.id', '=', student)
    .where('students.left_at', 'is', null)
    .forUpdate('handouts')
    .executeTakeFirst()
}

const ownOf = (trx: Trx, handout: string, students: readonly string[]) =>
  trx
    .selectFrom('slate_members')
    .select(['slate_id', 'student_id'])
    .where('handout_id', '=', handout)
    .where('student_id', 'in', [...students])
    .where('until_at', 'is', null)
    .where('kind', '!=', 'class')
    .execute()

/** A student's own page on a class board: made from the model when they first come, and never twice. */
export function ownPage(
  services: Told,
  handout: string,
  student: string,
): Promise<Result<{ id: string }, BeginRefusal>> {
  return withNews(services, async (trx, news) => {
    const row = await held(trx, handout, student)
    if (!row?.own_pages) return refuse('not-found')
    const [own] = await ownOf(trx, handout, [student])
    if (own) return ok({ id: own.slate_id })
    if (row.closed_at) return refuse('closed')
    const { last } = await trx
      .selectFrom('slates')
      .select(eb => eb.fn.coalesce(eb.fn.max('position'), eb.lit(0)).as('last'))
      .where('handout_id', '=', handout)
      .executeTakeFirstOrThrow()
    const { id } = await trx
      .insertInto('slates')
      .values({
        handout_id: handout,
        class_id: row.class_id,
        kind: 'page',
        edition_hash: row.edition_hash,
        position: last + 1,
      })
      .returning('id')
      .executeTakeFirstOrThrow()
    await trx
      .insertInto('slate_members')
      .values({ slate_id: id, handout_id: handout, class_id: row.class_id, kind: 'page', student_id: student, hand: 1 })
      .execute()
    news.push({ scope: 'slate', slate: id, handout, changed: 'members' })
    return ok({ id })
  })
}

/** The heading of an own page. One that was taken from the others stays so until the teacher lets them see it. */
export const nameSlate = (services: Told, slate: string, name: string): Promise<void> =>
  setHeading(services, slate, { name: name || null, named_at: new Date() })

export const hideHeading = (services: Told, slate: string, hidden: boolean): Promise<void> =>
  setHeading(services, slate, { name_hidden_at: hidden ? new Date() : null })

function setHeading(
  services: Told,
  slate: string,
  values: { name?: string | null; named_at?: Date; name_hidden_at?: Date | null },
): Promise<void> {
  return withNews(services, async (trx, news) => {
    const { handout_id } = await trx
      .updateTable('slates')
      .set(values)
      .where('id', '=', slate)
      .where('kind', '=', 'page')
      .returning('handout_id')
      .executeTakeFirstOrThrow()
    news.push({ scope: 'slate', slate, handout: handout_id, changed: 'members' })
    // The others read it anew; its student is told whether they see it.
    news.push({ scope: 'slate', slate, handout: handout_id, changed: 'words' })
  })
}

export interface Claim {
  readonly student: string
  /** Who works on it with them. */
  readonly mates: readonly string[]
  /** The frame they would like; any for null. */
  readonly wanted: string | null
}

/**
 * Takes a free frame for a student and those who work with them: the one they want, or the next free one if somebody
 * was quicker. Two who take at once have two frames.
 */
export function claimFrame(
  services: Told,
  handout: string,
  { student, mates, wanted }: Claim,
): Promise<Result<{ id: string; name: string }, BeginRefusal>> {
  return withNews(services, async (trx, news) => {
    const people = [...new Set([student, ...mates])]
    const row = await held(trx, handout, student)
    if (!row?.free || (await ofClass(trx, row.class_id, people)) < people.length) return refuse('not-found')
    if (row.closed_at) return refuse('closed')
    if (people.length > row.free.size) return refuse('too-many')
    if ((await ownOf(trx, handout, people)).length) return refuse('elsewhere')
    const free = (await framesWithPeople(trx, handout)).filter(frame => frame.people.length === 0)
    const frame = free.find(one => one.id === wanted) ?? free[0]
    if (!frame) return refuse('none-free')
    await put(trx, news, { handout, frame: frame.id, people })
    return ok({ id: frame.id, name: frame.name })
  })
}

/** Goes to those who have taken a frame, while it has room. */
export function joinFrame(
  services: Told,
  handout: string,
  student: string,
  to: string,
): Promise<Result<{ id: string; name: string }, BeginRefusal>> {
  return withNews(services, async (trx, news) => {
    const row = await held(trx, handout, student)
    if (!row?.free) return refuse('not-found')
    if (row.closed_at) return refuse('closed')
    if ((await ownOf(trx, handout, [student])).length) return refuse('elsewhere')
    const frame = (await framesWithPeople(trx, handout)).find(one => one.id === to)
    if (!frame) return refuse('not-found')
    if (frame.people.length >= row.free.size) return refuse('full')
    await put(trx, news, { handout, frame: to, people: [student] })
    return ok({ id: to, name: frame.name })
  })
}

async function ofClass(trx: Trx, classId: string, people: readonly string[]): Promise<number> {
  const rows = await trx
    .selectFrom('students')
    .select('id')
    .where('class_id', '=', classId)
    .where('left_at', 'is', null)
    .where('id', 'in', [...people])
    .execute()
  return rows.length
}

interface Put {
  readonly handout: string
  readonly frame: string
  readonly people: readonly string[]
}
/** Who was on the frame before has the hand they had. */
async function put(trx: Trx, news: News[], { handout, frame, people }: Put): Promise<void> {
  const { class_id } = await trx
    .selectFrom('slates')
    .select('class_id')
    .where('id', '=', frame)
    .forUpdate()
    .executeTakeFirstOrThrow()
  const before = await trx
    .selectFrom('slate_members')
    .select(['student_id', 'hand'])
    .where('slate_id', '=', frame)
    .execute()
  let last = Math.max(0, ...before.map(member => member.hand))
  for (const student of people) {
    const hand = before.find(member => member.student_id === student)?.hand ?? ++last
    const part = await partOn(trx, frame, { student, hand })
    await trx
      .insertInto('slate_members')
      .values({ slate_id: frame, handout_id: handout, class_id, kind: 'frame', student_id: student, hand, part })
      .onConflict(c => c.columns(['slate_id', 'student_id']).doUpdateSet({ until_at: null, part }))
      .execute()
  }
  news.push({ scope: 'slate', slate: frame, handout, changed: 'members' })
}

/** The frames of a handout in their order, with who is on each now. */
async function framesWithPeople(db: Trx | Services['db'], handout: string) {
  const frames = await db
    .selectFrom('slates')
    .select(['id', 'name', 'mark'])
    .where('handout_id', '=', handout)
    .where('kind', '=', 'frame')
    .orderBy('position')
    .orderBy('name')
    .execute()
  const people = await db
    .selectFrom('slate_members')
    .innerJoin('students', 'students.id', 'slate_members.student_id')
    .select(['slate_members.slate_id as slate', 'students.id', 'students.name'])
    .where('slate_members.handout_id', '=', handout)
    .where('slate_members.until_at', 'is', null)
    .where('students.left_at', 'is', null)
    .orderBy('slate_members.hand')
    .execute()
  return frames.map(({ name, ...frame }) => ({
    ...frame,
    name: name ?? '',
    people: people.filter(one => one.slate === frame.id).map(({ slate, ...one }) => one),
  }))
}

/**
 * What a student chooses from: the frames with who took them, and who is on none yet. Refused where nothing can be
 * chosen.
 */
export async function framesToTake({ db, engine }: Pick<Services, 'db' | 'engine'>, handout: string, student: string) {
  const row = await db
    .selectFrom('handouts')
    .select(['free', 'class_id', 'edition_hash', 'word', 'closed_at'])
    .where('id', '=', handout)
    .where('given_at', 'is not', null)
    .executeTakeFirst()
  if (!row?.free) return refuse('not-found' as const)
  const frames = await framesWithPeople(db, handout)
  const placed = new Map(frames.flatMap(frame => frame.people.map(one => [one.id, frame.id] as const)))
  const students = await db
    .selectFrom('students')
    .select(['id', 'name'])
    .where('class_id', '=', row.class_id)
    .where('left_at', 'is', null)
    .orderBy('name_folded')
    .execute()
  const { board } = await engine.editions.get(db, row.edition_hash)
  return ok({
    title: board.title,
    word: row.word,
    size: row.free.size,
    closed: row.closed_at !== null,
    own: placed.get(student) ?? null,
    frames: frames.map(frame => ({ ...frame, people: frame.people.map(one => one.name) })),
    unplaced: students.filter(one => !placed.has(one.id) && one.id !== student),
  })
}
