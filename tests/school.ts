import type { Kysely } from 'kysely'
import type { Board } from '../core/board/board'
import type { Database } from '../server/database/tables'
import { createClass, takeList } from '../server/usecases/classes'
import { giveOut } from '../server/usecases/giveOut'
import { quietWire } from './quietWire'

export interface School {
  teacher: string
  classId: string
  board: string
  handout: string
  slates: { id: string; student: string }[]
}

/** A teacher, a class, a board and its handout, made by the same use cases as in the application. */
export async function makeSchool(
  db: Kysely<Database>,
  document: Board,
  students: number,
  email = 'teacher@ternhaven.example',
): Promise<School> {
  const { id: teacher } = await db
    .insertInto('teachers')
    .values({ email, name: 'T. Est', password_hash: 'none' })
    .returning('id')
    .executeTakeFirstOrThrow()
  const made = await createClass(db, teacher, 'Class')
  if (!made.ok) throw new Error(made.reason)
  const classId = made.value.id
  await listStudents(
    db,
    classId,
    Array.from(
      { length: students },
      (_, i) => `Student ${String.fromCharCode(65 + (i % 26))}${Math.floor(i / 26) || ''}`,
    ),
  )
  const { id: board } = await db
    .insertInto('boards')
    .values({ teacher_id: teacher, title: document.title, document: JSON.stringify(document), updated_at: new Date() })
    .returning('id')
    .executeTakeFirstOrThrow()
  const given = await giveOut(db, board, classId)
  if (!given.ok) throw new Error(given.reason)
  const slates = await db
    .selectFrom('slate_members')
    .select(['slate_id as id', 'student_id as student'])
    .where('handout_id', '=', given.value.id)
    .orderBy('slate_id')
    .execute()
  return { teacher, classId, board, handout: given.value.id, slates }
}

/** Puts these students on a class list, beside those who are there. */
async function listStudents(db: Kysely<Database>, classId: string, names: readonly string[]): Promise<void> {
  const taken = await takeList({ db, wire: quietWire }, classId, {
    students: names.map(name => ({ name })),
    missing: 'stay',
  })
  if (!taken.ok) throw new Error(JSON.stringify(taken.reason))
}
