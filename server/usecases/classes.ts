import { sql, type Kysely, type Transaction } from 'kysely'
import { checked, NAME_LONGEST, type ListedStudent, type ListRow } from '../../core/roster/classList'
import { foldName } from '../../core/roster/names'
import { planCounts, planList, type KnownStudent, type ListPlan, type Missing } from '../../core/roster/listPlan'
import { makeClassCode, makePicturePassword } from '../../core/roster/picturePassword'
import { ok, refuse, type Result } from '../../core/result'
import { unforeseen } from '../http/random'
import type { Database } from '../database/tables'
import type { News } from '../news/news'
import { withNews } from '../news/wire'
import type { Services } from '../services'
import { joinLate } from './giveOut'
import { endSessions } from './sessions'

type Db = Kysely<Database>
type Trx = Transaction<Database>
type Told = Pick<Services, 'db' | 'wire'>
const CODE_TRIES = 5

/** A new class with a code that no other class has; refused when the teacher has a class of this name. */
export async function createClass(
  db: Db,
  teacher: string,
  name: string,
  zone?: string,
): Promise<Result<{ id: string }, 'taken'>> {
  if (await nameTaken(db, teacher, name)) return refuse('taken')
  // A code that another class has makes no class, and no error either: another is tried, in the same transaction.
  for (let i = 0; i < CODE_TRIES; i++) {
    const made = await db
      .insertInto('classes')
      .values({ teacher_id: teacher, name, code: makeClassCode(unforeseen), ...(zone && { time_zone: zone }) })
      .onConflict(c => c.doNothing())
      .returning('id')
      .executeTakeFirst()
    if (made) return ok(made)
  }
  return refuse('taken')
}

/** Whether the teacher has a class of this name, put away ones aside. */
export async function nameTaken(db: Db, teacher: string, name: string, otherThan?: string): Promise<boolean> {
  const taken = await db
    .selectFrom('classes')
    .select('id')
    .where('teacher_id', '=', teacher)
    .where('name', '=', name)
    .where('newcomers', 'is', null)
    .where('put_away_at', 'is', null)
    .$if(otherThan !== undefined, query => query.where('id', '!=', otherThan!))
    .executeTakeFirst()
  return taken !== undefined
}

export interface ClassChange {
  readonly name?: string
  readonly putAway?: boolean
}

/**
 * A class is renamed, put away or taken back. Put away, nobody comes in by its code, pictures or links, and who was in
 * is out; its handouts and all work stay with the teacher. Refused when the name it would have is another class's.
 */
export function changeClass(
  services: Told,
  id: string,
  { name, putAway }: ClassChange,
): Promise<Result<null, 'taken'>> {
  return withNews(services, async (trx, news) => {
    const row = await trx
      .selectFrom('classes')
      .select(['teacher_id', 'name', 'put_away_at'])
      .where('id', '=', id)
      .forUpdate()
      .executeTakeFirstOrThrow()
    const away = putAway ?? row.put_away_at !== null
    if (!away && (await nameTaken(trx, row.teacher_id, name ?? row.name, id))) return refuse('taken')
    await trx
      .updateTable('classes')
      .set({
        ...(name !== undefined && { name }),
        ...(putAway !== undefined && { put_away_at: putAway ? (row.put_away_at ?? new Date()) : null }),
      })
      .where('id', '=', id)
      .execute()
    if (away) {
      const ended = await trx
        .deleteFrom('sessions')
        .where('student_id', 'in', trx.selectFrom('students').select('id').where('class_id', '=', id))
        .returning('id')
        .execute()
      news.push(...ended.map(session => ({ scope: 'session' as const, session: session.id })))
    }
    return ok(null)
  })
}

/** Another code: the old one opens nothing any more, and who is in stays in. */
export async function newCode(db: Db, classId: string): Promise<string> {
  for (let i = 0; i < CODE_TRIES; i++) {
    const code = makeClassCode(unforeseen)
    const taken = await db.selectFrom('classes').select('id').where('code', '=', code).executeTakeFirst()
    if (!taken)
      return (
        await db
          .updateTable('classes')
          .set({ code })
          .where('id', '=', classId)
          .returning('code')
          .executeTakeFirstOrThrow()
      ).code
  }
  throw new Error('no class code is free')
}

export const BY_NAME = 'name_folded' as const

/** Everybody whom the class has or had. */
async function knownStudents(db: Db, classId: string): Promise<KnownStudent[]> {
  const rows = await db
    .selectFrom('students')
    .select(['id', 'name', 'preferred', 'level', 'record', 'left_at'])
    .where('class_id', '=', classId)
    .orderBy(BY_NAME)
    .execute()
  return rows.map(({ left_at, ...row }) => ({ ...withoutNulls(row), left: left_at !== null }))
}

type WithoutNulls<T> = { [K in keyof T as null extends T[K] ? never : K]: T[K] } & {
  [K in keyof T as null extends T[K] ? K : never]?: NonNullable<T[K]>
}
const withoutNulls = <T extends object>(row: T) =>
  Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null)) as WithoutNulls<T>

export interface ListToTake {
  readonly students: readonly ListedStudent[]
  readonly missing: Missing
  /** What was agreed to, by `planCounts`; when something else would be done, nothing is. */
  readonly agreed?: readonly number[]
  /** What the school's records call the class, where the list comes from them. */
  readonly record?: string
}
export type ListRefusal = { readonly rows: readonly ListRow[] } | { readonly plan: ListPlan; readonly changed?: true }

/**
 * Takes a list over, all of it or, if a single row has a problem or clashes, nothing: then it is said which. Who comes
 * new or back gets a slate of every handout of copies that the class has; who leaves is out at once, and keeps their
 * work.
 */
export async function takeList(
  services: Told,
  classId: string,
  list: ListToTake,
): Promise<Result<ListPlan, ListRefusal>> {
  const rows = checked(list.students.map((student, i) => ({ line: i + 1, student })))
  if (rows.some(row => row.problem)) return refuse({ rows: rows.filter(row => row.problem) })
  return withNews(services, async (trx, news) => {
    await trx.selectFrom('classes').select('id').where('id', '=', classId).forUpdate().executeTakeFirstOrThrow()
    const plan = planList(await knownStudents(trx, classId), list.students, list.missing)
    if (plan.clashes.length || plan.tooMany) return refuse({ plan })
    if (list.agreed && planCounts(plan).join() !== list.agreed.join()) return refuse({ plan, changed: true as const })
    await sql`set constraints students_class_id_name_folded_key, students_class_id_record_key deferred`.execute(trx)
    for (const { id, to } of [...plan.changed, ...plan.back]) {
      await trx
        .updateTable('students')
        .set({
          name: to.name,
          preferred: to.preferred ?? null,
          level: to.level ?? null,
          record: to.record ?? null,
          left_at: null,
        })
        .where('id', '=', id)
        .execute()
    }
    if (plan.leaving.length)
      await leave(
        trx,
        news,
        plan.leaving.map(student => student.id),
      )
    if (plan.added.length) {
      await trx
        .insertInto('students')
        .values(
          plan.added.map(({ name, preferred = null, level = null, record = null }) => ({
            class_id: classId,
            name,
            preferred,
            level,
            record,
            picture_password: makePicturePassword(unforeseen),
          })),
        )
        .execute()
    }
    if (plan.added.length || plan.back.length) await joinLate(trx, classId)
    if (list.record !== undefined)
      await trx.updateTable('classes').set({ record: list.record }).where('id', '=', classId).execute()
    await keepLevels(trx, classId)
    return ok(plan)
  })
}

/** A student leaves the class, or comes back to it. False when the class has no such student. */
export async function setLeft(services: Told, classId: string, student: string, left: boolean): Promise<boolean> {
  return withNews(services, async (trx, news) => {
    const row = await trx
      .selectFrom('students')
      .select(['name', 'left_at'])
      .where('id', '=', student)
      .where('class_id', '=', classId)
      .forUpdate()
      .executeTakeFirst()
    if (!row) return false
    if (left === (row.left_at !== null)) return true
    if (left) {
      await leave(trx, news, [student])
      await freeName(trx, classId, student)
    } else {
      const name = row.name.endsWith(GONE) ? await unusedName(trx, classId, row.name.slice(0, -GONE.length)) : row.name
      await trx.updateTable('students').set({ left_at: null, name }).where('id', '=', student).execute()
      await joinLate(trx, classId)
    }
    return true
  })
}

async function leave(trx: Trx, news: News[], students: readonly string[]): Promise<void> {
  await trx
    .updateTable('students')
    .set({ left_at: new Date() })
    .where('id', 'in', [...students])
    .execute()
  const ended = await trx
    .deleteFrom('sessions')
    .where('student_id', 'in', [...students])
    .returning('id')
    .execute()
  news.push(...ended.map(({ id }) => ({ scope: 'session' as const, session: id })))
}

export interface StudentChange {
  readonly name?: string
  readonly preferred?: string
  readonly level?: string
}

/** What a teacher changes of one student by hand; an empty preferred name or level is none. */
export async function changeStudent(
  services: Told,
  classId: string,
  student: string,
  { name, preferred, level }: StudentChange,
): Promise<Result<null, 'not-found' | 'taken'>> {
  return services.db.transaction().execute(async trx => {
    // The class first, as all who change its list do.
    await trx.selectFrom('classes').select('id').where('id', '=', classId).forUpdate().executeTakeFirst()
    const rows = await trx.selectFrom('students').select(['id', 'name']).where('class_id', '=', classId).execute()
    if (!rows.some(row => row.id === student)) return refuse('not-found')
    if (name !== undefined && rows.some(row => row.id !== student && foldName(row.name) === foldName(name)))
      return refuse('taken')
    const change = {
      ...(name !== undefined && { name }),
      ...(preferred !== undefined && { preferred: preferred || null }),
      ...(level !== undefined && { level: level || null }),
    }
    if (Object.keys(change).length) await trx.updateTable('students').set(change).where('id', '=', student).execute()
    await keepLevels(trx, classId)
    return ok(null)
  })
}

/** Whoever is turned away from a class that anybody may come to leaves their name to whoever really has it. */
async function freeName(trx: Trx, classId: string, student: string): Promise<void> {
  const { newcomers } = await trx
    .selectFrom('classes')
    .select('newcomers')
    .where('id', '=', classId)
    .executeTakeFirstOrThrow()
  if (newcomers === null) return
  const { name } = await trx.selectFrom('students').select('name').where('id', '=', student).executeTakeFirstOrThrow()
  await trx
    .updateTable('students')
    .set({ name: await unusedName(trx, classId, name, GONE) })
    .where('id', '=', student)
    .execute()
}
const GONE = ' ✕'

/** A name that nobody in the class has or had: the one that is wanted, or with a number behind it. */
export async function unusedName(trx: Trx, classId: string, wanted: string, suffix = ''): Promise<string> {
  await trx.selectFrom('classes').select('id').where('id', '=', classId).forUpdate().executeTakeFirst()
  const rows = await trx.selectFrom('students').select('name').where('class_id', '=', classId).execute()
  const taken = new Set(rows.map(row => foldName(row.name)))
  for (let number = suffix ? 1 : 0; ; number++) {
    const end = suffix + (number > 1 ? ` ${number}` : '')
    const name = [...wanted].slice(0, NAME_LONGEST - end.length).join('') + end
    if (!taken.has(foldName(name))) return name
  }
}

/** Puts the levels of a class in another order. False where these aren't its levels, each once. */
export function orderLevels(db: Db, classId: string, order: readonly string[]): Promise<boolean> {
  return db.transaction().execute(async trx => {
    const { levels } = await trx
      .selectFrom('classes')
      .select('levels')
      .where('id', '=', classId)
      .forUpdate()
      .executeTakeFirstOrThrow()
    if (levels.toSorted().join('\n') !== order.toSorted().join('\n')) return false
    await trx
      .updateTable('classes')
      .set({ levels: [...order] })
      .where('id', '=', classId)
      .execute()
    return true
  })
}

/**
 * Levels that students have and the class doesn't know yet are put behind those it knows: numbers by size, words as
 * they came.
 */
async function keepLevels(trx: Trx, classId: string): Promise<void> {
  const { levels } = await trx
    .selectFrom('classes')
    .select('levels')
    .where('id', '=', classId)
    .executeTakeFirstOrThrow()
  const used = await trx
    .selectFrom('students')
    .select('level')
    .distinct()
    .where('class_id', '=', classId)
    .where('level', 'is not', null)
    .execute()
  const fresh = used
    .flatMap(({ level }) => (level === null || levels.includes(level) ? [] : [level]))
    .toSorted((a, b) => a.localeCompare(b, 'en', { numeric: true }))
  if (fresh.length)
    await trx
      .updateTable('classes')
      .set({ levels: [...levels, ...fresh] })
      .where('id', '=', classId)
      .execute()
}

/** Other pictures for a student; whoever came in by the old ones is out. False when the class has no such student. */
export async function newPictures(services: Told, classId: string, student: string): Promise<boolean> {
  const result = await services.db
    .updateTable('students')
    .set({ picture_password: makePicturePassword(unforeseen) })
    .where('id', '=', student)
    .where('class_id', '=', classId)
    .executeTakeFirst()
  if (result.numUpdatedRows === 0n) return false
  await endSessions(services, ends => ends.where('student_id', '=', student))
  return true
}
