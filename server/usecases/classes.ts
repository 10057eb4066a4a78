import type { Kysely } from 'kysely'
import { readClassList, type ClassListRow } from '../../core/roster/classList'
import { makeClassCode, makePicturePassword } from '../../core/roster/picturePassword'
import { ok, refuse, type Result } from '../../core/result'
import { unforeseen } from '../http/random'
import type { Database } from '../database/tables'
import type { Services } from '../services'
import { makeSlates } from './giveOut'
import { endSessions } from './sessions'

type Db = Kysely<Database>
const CODE_TRIES = 5

/** A new class with a code that no other class has; refused when the teacher has a class of this name. */
export async function createClass(db: Db, teacher: string, name: string): Promise<Result<{ id: string }, 'taken'>> {
  const taken = await db.selectFrom('classes').select('id').where('teacher_id', '=', teacher).where('name', '=', name).executeTakeFirst()
  if (taken) return refuse('taken')
  // A code that another class has makes no class, and no error either: another is tried, in the same transaction.
  for (let i = 0; i < CODE_TRIES; i++) {
    const made = await db.insertInto('classes').values({ teacher_id: teacher, name, code: makeClassCode(unforeseen) }).onConflict(c => c.doNothing()).returning('id').executeTakeFirst()
    if (made) return ok(made)
  }
  return refuse('taken')
}

/**
 * Adds everyone on a pasted list, or, if a single line has a problem, nobody: then the rows come back with their problems.
 * Those who join late get a slate of every handout the class already has.
 */
export async function addStudents(db: Db, classId: string, list: string): Promise<Result<{ added: number }, ClassListRow[]>> {
  return db.transaction().execute(async (trx) => {
    await trx.selectFrom('classes').select('id').where('id', '=', classId).forUpdate().executeTakeFirstOrThrow()
    const known = await trx.selectFrom('students').select('name').where('class_id', '=', classId).execute()
    const rows = readClassList(list, known.map(s => s.name))
    if (rows.length === 0 || rows.some(row => row.problem)) return refuse(rows)
    await trx.insertInto('students').values(rows.map(({ name }) => ({
      class_id: classId, name, picture_password: makePicturePassword(unforeseen),
    }))).execute()
    const handouts = await trx.selectFrom('handouts').select('id').where('class_id', '=', classId).execute()
    for (const { id } of handouts) await makeSlates(trx, id)
    return ok({ added: rows.length })
  })
}

/** Other pictures for a student; whoever came in by the old ones is out. False when the class has no such student. */
export async function newPictures(services: Pick<Services, 'db' | 'wire'>, classId: string, student: string): Promise<boolean> {
  const result = await services.db.updateTable('students').set({ picture_password: makePicturePassword(unforeseen) })
    .where('id', '=', student).where('class_id', '=', classId).executeTakeFirst()
  if (result.numUpdatedRows === 0n) return false
  await endSessions(services, ends => ends.where('student_id', '=', student))
  return true
}

export async function classWithStudents(db: Db, id: string) {
  const row = await db.selectFrom('classes').select(['id', 'name', 'code']).where('id', '=', id).executeTakeFirstOrThrow()
  const students = await db.selectFrom('students').select(['id', 'name', 'picture_password as pictures'])
    .where('class_id', '=', id).orderBy('name_folded').execute()
  return { ...row, students }
}

export async function classesOf(db: Db, teacher: string) {
  return db.selectFrom('classes').leftJoin('students', 'students.class_id', 'classes.id')
    .select(eb => ['classes.id', 'classes.name', 'classes.code', eb.fn.count<string>('students.id').as('students')])
    .where('classes.teacher_id', '=', teacher).groupBy('classes.id').orderBy('classes.name').execute()
    .then(rows => rows.map(row => ({ ...row, students: Number(row.students) })))
}
