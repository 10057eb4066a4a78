import type { Kysely, Transaction } from 'kysely'
import type { Wish } from '../../core/groups/wishes'
import { ok, refuse, type Result } from '../../core/result'
import type { Database } from '../database/tables'

type Db = Kysely<Database>
type Trx = Transaction<Database>

export interface GroupToKeep {
  readonly name: string
  readonly mark: string
  readonly students: readonly string[]
}
export interface SetToKeep {
  readonly name: string
  readonly groups: readonly GroupToKeep[]
}
/** A wish among students by their ids. */
export interface StudentWish {
  readonly kind: Wish['kind']
  readonly students: readonly string[]
}
/**
 * *taken*: the class has a set of this name. *not-found*: a student who isn't in the class, or twice; a set that isn't
 * there.
 */
export type SetRefusal = 'taken' | 'not-found'

const MOST_SETS = 40
export const MOST_WISHES = 60

/** Everything that groups of a class are made with. `day` is the day whose absent students are set aside. */
export async function groupsOfClass(db: Db, classId: string, day: string) {
  const [row, students, sets, groups, members, wishes, wishStudents, absent] = await Promise.all([
    db
      .selectFrom('classes')
      .select(['id', 'name', 'code', 'levels'])
      .where('id', '=', classId)
      .executeTakeFirstOrThrow(),
    db
      .selectFrom('students')
      .select(['id', 'name', 'preferred', 'level'])
      .where('class_id', '=', classId)
      .where('left_at', 'is', null)
      .orderBy('name_folded')
      .execute(),
    db.selectFrom('group_sets').select(['id', 'name']).where('class_id', '=', classId).orderBy('made_at').execute(),
    db
      .selectFrom('groups')
      .select(['id', 'set_id', 'name', 'mark'])
      .where('class_id', '=', classId)
      .orderBy('position')
      .execute(),
    db
      .selectFrom('group_students')
      .innerJoin('students', 'students.id', 'group_students.student_id')
      .select(['group_students.group_id', 'group_students.student_id'])
      .where('group_students.class_id', '=', classId)
      .where('students.left_at', 'is', null)
      .orderBy('students.name_folded')
      .execute(),
    db.selectFrom('wishes').select(['id', 'kind']).where('class_id', '=', classId).orderBy('id').execute(),
    db
      .selectFrom('wish_students')
      .innerJoin('students', 'students.id', 'wish_students.student_id')
      .select(['wish_students.wish_id', 'wish_students.student_id'])
      .where('wish_students.class_id', '=', classId)
      .where('students.left_at', 'is', null)
      .orderBy('students.name_folded')
      .execute(),
    db.selectFrom('absences').select('student_id').where('class_id', '=', classId).where('day', '=', day).execute(),
  ])
  return {
    ...row,
    students,
    absent: absent.map(a => a.student_id),
    wishes: wishes
      .map(({ id, kind }) => ({ kind, students: wishStudents.filter(w => w.wish_id === id).map(w => w.student_id) }))
      .filter(wish => wish.students.length > 1),
    sets: sets.map(({ id, name }) => ({
      id,
      name,
      groups: groups
        .filter(g => g.set_id === id)
        .map(g => ({
          id: g.id,
          name: g.name,
          mark: g.mark,
          students: members.filter(m => m.group_id === g.id).map(m => m.student_id),
        })),
    })),
  }
}

/**
 * A named set of groups, kept whole. With the id of a set it is changed: groups keep theirs by their place, so that
 * frames stay theirs.
 */
export async function keepSet(
  trx: Trx,
  classId: string,
  set: SetToKeep,
  id?: string,
): Promise<Result<{ id: string }, SetRefusal>> {
  // Locked, so that two who keep at once do it one after the other.
  await trx.selectFrom('classes').select('id').where('id', '=', classId).forUpdate().executeTakeFirstOrThrow()
  const students = set.groups.flatMap(group => group.students)
  if (new Set(students).size < students.length || !(await areOf(trx, classId, students))) return refuse('not-found')
  const others = await trx
    .selectFrom('group_sets')
    .select(['id', 'name_folded'])
    .where('class_id', '=', classId)
    .execute()
  if (id !== undefined && !others.some(other => other.id === id)) return refuse('not-found')
  if (
    others.some(other => other.id !== id && other.name_folded === set.name.toLowerCase())
    || (id === undefined && others.length >= MOST_SETS)
  )
    return refuse('taken')
  const kept =
    id
    ?? (
      await trx
        .insertInto('group_sets')
        .values({ class_id: classId, name: set.name })
        .returning('id')
        .executeTakeFirstOrThrow()
    ).id
  if (id !== undefined) await trx.updateTable('group_sets').set({ name: set.name }).where('id', '=', id).execute()
  await trx.deleteFrom('group_students').where('set_id', '=', kept).execute()
  await trx.deleteFrom('groups').where('set_id', '=', kept).where('position', '>', set.groups.length).execute()
  for (const [i, { name, mark, students: members }] of set.groups.entries()) {
    const group = await trx
      .insertInto('groups')
      .values({ set_id: kept, class_id: classId, position: i + 1, name, mark })
      .onConflict(c => c.columns(['set_id', 'position']).doUpdateSet({ name, mark }))
      .returning('id')
      .executeTakeFirstOrThrow()
    if (members.length)
      await trx
        .insertInto('group_students')
        .values(members.map(student_id => ({ set_id: kept, group_id: group.id, class_id: classId, student_id })))
        .execute()
  }
  return ok({ id: kept })
}

export async function dropSet(db: Db, classId: string, id: string): Promise<boolean> {
  const gone = await db.deleteFrom('group_sets').where('id', '=', id).where('class_id', '=', classId).executeTakeFirst()
  return gone.numDeletedRows > 0n
}

/** All wishes of a class at once, in the place of those before. */
export async function keepWishes(
  db: Db,
  classId: string,
  wishes: readonly StudentWish[],
): Promise<Result<null, 'not-found'>> {
  return db.transaction().execute(async trx => {
    await trx.selectFrom('classes').select('id').where('id', '=', classId).forUpdate().executeTakeFirstOrThrow()
    if (
      !(await areOf(
        trx,
        classId,
        wishes.flatMap(wish => wish.students),
      ))
    )
      return refuse('not-found')
    await trx.deleteFrom('wishes').where('class_id', '=', classId).execute()
    for (const { kind, students } of wishes) {
      const { id } = await trx
        .insertInto('wishes')
        .values({ class_id: classId, kind })
        .returning('id')
        .executeTakeFirstOrThrow()
      await trx
        .insertInto('wish_students')
        .values([...new Set(students)].map(student_id => ({ wish_id: id, class_id: classId, student_id })))
        .execute()
    }
    return ok(null)
  })
}

/** Away on a day: set aside when groups are made. False when the class has no such student. */
export async function setAbsent(
  db: Db,
  classId: string,
  { student, day, absent }: { student: string; day: string; absent: boolean },
): Promise<boolean> {
  if (!(await areOf(db, classId, [student]))) return false
  if (absent)
    await db
      .insertInto('absences')
      .values({ class_id: classId, student_id: student, day })
      .onConflict(c => c.doNothing())
      .execute()
  else await db.deleteFrom('absences').where('student_id', '=', student).where('day', '=', day).execute()
  return true
}

/** Whether all of them are on the list of this class now. */
async function areOf(db: Db | Trx, classId: string, students: readonly string[]): Promise<boolean> {
  const asked = [...new Set(students)]
  if (asked.length === 0) return true
  const found = await db
    .selectFrom('students')
    .select('id')
    .where('class_id', '=', classId)
    .where('left_at', 'is', null)
    .where('id', 'in', asked)
    .execute()
  return found.length === asked.length
}
