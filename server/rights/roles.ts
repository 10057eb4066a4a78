import { sql, type Kysely } from 'kysely'
import { isSeenByStudents } from '../../core/slate/status'
import type { Database } from '../database/tables'
import type { Actor } from './actor'
import { whoOnSlate } from './hold'
import type { Role } from '../../core/rights/rights'

type Db = Kysely<Database>

/** What somebody is to a thing of which nothing else is known. */
const strangerTo = (actor: Actor | null): Role => (actor ? 'outsider' : 'nobody')
const isOwner = (actor: Actor | null, teacher: string | undefined) => actor?.kind === 'teacher' && actor.id === teacher

export async function roleOnBoard(db: Db, actor: Actor | null, id: string): Promise<Role> {
  const row = await db.selectFrom('boards').select('teacher_id').where('id', '=', id).executeTakeFirst()
  return isOwner(actor, row?.teacher_id) ? 'owner' : strangerTo(actor)
}

export async function roleOnClass(db: Db, actor: Actor | null, id: string): Promise<Role> {
  const row = await db.selectFrom('classes').select('teacher_id').where('id', '=', id).executeTakeFirst()
  if (isOwner(actor, row?.teacher_id)) return 'owner'
  if (row && actor?.kind === 'teacher' && (await helps(db, actor.id, id))) return 'assistant'
  return row && actor?.kind === 'student' && actor.classId === id ? 'class-member' : strangerTo(actor)
}

async function helps(db: Db, teacher: string, classId: string): Promise<boolean> {
  return !!(await db
    .selectFrom('assistants')
    .select('hand')
    .where('class_id', '=', classId)
    .where('teacher_id', '=', teacher)
    .executeTakeFirst())
}

export async function roleOnHandout(db: Db, actor: Actor | null, id: string): Promise<Role> {
  const row = await db.selectFrom('handouts').select('class_id').where('id', '=', id).executeTakeFirst()
  return row ? roleOnClass(db, actor, row.class_id) : strangerTo(actor)
}

export async function roleOnSlate(db: Db, actor: Actor | null, id: string): Promise<Role> {
  return (await whoOnSlate(db, actor, id)).role
}

/** A file is its uploader's, and any student's to whose class a board with it was given out. */
export async function roleOnFile(db: Db, actor: Actor | null, hash: string): Promise<Role> {
  if (actor?.kind === 'teacher') {
    const owned = await db
      .selectFrom('file_owners')
      .select('file_hash')
      .where('file_hash', '=', hash)
      .where('teacher_id', '=', actor.id)
      .executeTakeFirst()
    if (owned) return 'owner'
    const helped = await givenOutIn(db, hash)
      .innerJoin('assistants', 'assistants.class_id', 'slates.class_id')
      .where('assistants.teacher_id', '=', actor.id)
      .executeTakeFirst()
    if (helped) return 'assistant'
    return (await spokenForTeacher(db, actor.id, hash)) ? 'assistant' : 'outsider'
  }
  if (actor?.kind === 'student') {
    const given = await givenOutIn(db, hash).where('slates.class_id', '=', actor.classId).executeTakeFirst()
    if (given) return 'class-member'
    return (await spokenTo(db, actor.id, hash)) ? 'holder' : 'outsider'
  }
  return 'nobody'
}

const spokenOn = (db: Db, hash: string) =>
  db
    .selectFrom('margins')
    .innerJoin('slates', 'slates.id', 'margins.slate_id')
    .select('slates.id')
    .where(sql<string>`margins.item->>'kind'`, '=', 'spoken')
    .where(sql<string>`margins.item->>'file'`, '=', hash)
    .where('margins.removed_at', 'is', null)

/** A comment spoken on a slate of a class that a teacher has, or helps with. */
const spokenForTeacher = (db: Db, teacher: string, hash: string) =>
  spokenOn(db, hash)
    .innerJoin('classes', 'classes.id', 'slates.class_id')
    .leftJoin('assistants', join =>
      join.onRef('assistants.class_id', '=', 'classes.id').on('assistants.teacher_id', '=', teacher),
    )
    .where(eb => eb.or([eb('classes.teacher_id', '=', teacher), eb('assistants.teacher_id', '=', teacher)]))
    .limit(1)
    .executeTakeFirst()

/** Whether it is a comment spoken on a student's own slate, and theirs to hear by now. */
async function spokenTo(db: Db, student: string, hash: string): Promise<boolean> {
  const spoken = await spokenOn(db, hash)
    .innerJoin('slate_members', 'slate_members.slate_id', 'slates.id')
    .select(eb => [
      'slates.status',
      'margins.shown',
      'margins.at',
      eb
        .selectFrom('tries')
        .select(most => most.fn.max('tries.ended_at').as('at'))
        .whereRef('tries.slate_id', '=', 'slates.id')
        .as('triedUntil'),
    ])
    .where('slate_members.student_id', '=', student)
    .where('slate_members.until_at', 'is', null)
    .execute()
  return spoken.some(one => isSeenByStudents(one, one.status, one.triedUntil))
}

const givenOutIn = (db: Db, hash: string) =>
  db
    .selectFrom('edition_files')
    .innerJoin('slates', 'slates.edition_hash', 'edition_files.edition_hash')
    .select('slates.id')
    .where('edition_files.file_hash', '=', hash)
    .limit(1)
