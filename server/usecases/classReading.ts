import { sql, type Kysely } from 'kysely'
import type { ClassToWrite } from '../../core/format/oneRosterOut'
import type { Database } from '../database/tables'
import { BELIEVED_FOR_MS } from '../sync/openSlates'
import { BY_NAME } from './classes'

type Db = Kysely<Database>

export async function classWithStudents(db: Db, id: string) {
  const row = await db
    .selectFrom('classes')
    .select(['id', 'name', 'code', 'levels', 'record', 'put_away_at'])
    .where('id', '=', id)
    .executeTakeFirstOrThrow()
  const students = await db
    .selectFrom('students')
    .select(eb => [
      'id',
      'name',
      'preferred',
      'level',
      'record',
      'picture_password as pictures',
      'left_at',
      eb('link', 'is not', null).$castTo<boolean>().as('linked'),
      eb
        .exists(
          eb
            .selectFrom('sessions')
            .select('sessions.id')
            .whereRef('sessions.student_id', '=', 'students.id')
            .where('sessions.ends_at', '>', new Date())
            .where('sessions.seen_at', '>', new Date(Date.now() - BELIEVED_FOR_MS)),
        )
        .$castTo<boolean>()
        .as('here'),
    ])
    .where('class_id', '=', id)
    .orderBy(BY_NAME)
    .execute()
  const { put_away_at, ...shown } = row
  return {
    ...shown,
    putAway: put_away_at !== null,
    students: students.map(({ left_at, ...student }) => ({ ...student, left: left_at !== null })),
  }
}

/** A class with those who are on its list now, as the school's records would have it. */
export async function classForRecords(db: Db, id: string, day: string): Promise<ClassToWrite> {
  const row = await db
    .selectFrom('classes')
    .innerJoin('teachers', 'teachers.id', 'classes.teacher_id')
    .select([
      'classes.id',
      'classes.name',
      'classes.code',
      'classes.record',
      'teachers.id as teacherId',
      'teachers.name as teacherName',
      'teachers.email',
    ])
    .where('classes.id', '=', id)
    .executeTakeFirstOrThrow()
  const students = await db
    .selectFrom('students')
    .select(['id', 'name', 'preferred', 'level', 'record'])
    .where('class_id', '=', id)
    .where('left_at', 'is', null)
    .orderBy(BY_NAME)
    .execute()
  return {
    id: row.record ?? row.id,
    name: row.name,
    code: row.code,
    teacher: { id: row.teacherId, name: row.teacherName, email: row.email },
    students: students.map(({ record, ...student }) => ({ ...student, id: record ?? student.id })),
    day,
  }
}

/** Classes that a teacher has, or helps with. */
export const isTheirs = (teacher: string) =>
  sql<boolean>`(classes.teacher_id = ${teacher} or exists (select from assistants where assistants.class_id = classes.id and assistants.teacher_id = ${teacher}))`

export async function classesOf(db: Db, teacher: string) {
  return db
    .selectFrom('classes')
    .leftJoin('students', join => join.onRef('students.class_id', '=', 'classes.id').on('students.left_at', 'is', null))
    .select(eb => [
      'classes.id',
      'classes.name',
      'classes.code',
      'classes.record',
      eb('classes.teacher_id', '!=', teacher).$castTo<boolean>().as('helping'),
      eb('classes.put_away_at', 'is not', null).$castTo<boolean>().as('putAway'),
      eb.fn.count<string>('students.id').as('students'),
    ])
    .where(isTheirs(teacher))
    .where('classes.newcomers', 'is', null)
    .groupBy('classes.id')
    .orderBy('classes.name')
    .execute()
    .then(async rows => {
      const sets = await setsOf(
        db,
        rows.map(row => row.id),
      )
      return rows.map(row => ({
        ...row,
        students: Number(row.students),
        sets: sets.filter(set => set.class_id === row.id).map(({ class_id, ...set }) => set),
      }))
    })
}

/**
 * The sets of groups of these classes: how many groups in each have anybody in them, and how many students that are.
 */
async function setsOf(db: Db, classes: readonly string[]) {
  if (classes.length === 0) return []
  const rows = await db
    .selectFrom('group_sets')
    .leftJoin('group_students', 'group_students.set_id', 'group_sets.id')
    .leftJoin('students', join =>
      join.onRef('students.id', '=', 'group_students.student_id').on('students.left_at', 'is', null),
    )
    .select(eb => [
      'group_sets.id',
      'group_sets.class_id',
      'group_sets.name',
      eb.fn.count<string>('students.id').as('members'),
      eb.fn.count<string>('group_students.group_id').distinct().filterWhere('students.id', 'is not', null).as('groups'),
    ])
    .where('group_sets.class_id', 'in', [...classes])
    .groupBy('group_sets.id')
    .orderBy('group_sets.made_at', 'desc')
    .execute()
  return rows.map(row => ({ ...row, members: Number(row.members), groups: Number(row.groups) }))
}
