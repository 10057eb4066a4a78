import type { H3Event } from 'h3'
import type { Kysely } from 'kysely'
import { NOW } from '../database/clock'
import type { Database } from '../database/tables'
import { may, type Action, type Role } from '../../core/rights/rights'
import type { Actor } from '../rights/actor'
import { services } from '../services'
import { endSessions } from '../usecases/sessions'
import { refusal } from './refuse'
import { clearSessionCookie, readSessionCookie, SESSION_MS, writeSessionCookie } from './sessionCookie'

/** A fresh session for a teacher or a student; whatever session the browser had is ended. */
export async function startSession(
  event: H3Event,
  who: { teacher_id: string } | { student_id: string },
): Promise<void> {
  const { db } = await services()
  await endSession(event)
  const ends_at = new Date(Date.now() + SESSION_MS)
  const { id } = await db
    .insertInto('sessions')
    .values({ teacher_id: null, student_id: null, ...who, ends_at })
    .returning('id')
    .executeTakeFirstOrThrow()
  await writeSessionCookie(event, id)
}

/** The one way out: the session's row goes, its sockets end in every process, and the cookie is cleared. */
export async function endSession(event: H3Event): Promise<void> {
  const session = await readSessionCookie(event)
  if (session) await endSessions(await services(), ends => ends.where('id', '=', session))
  await clearSessionCookie(event)
}

export async function actorOf(event: Asking): Promise<Actor | null> {
  return (await signedIn(event))?.actor ?? null
}

type Asking = Parameters<typeof readSessionCookie>[0]

/** Who is signed in, and how long. */
export interface SignedIn {
  readonly actor: Actor
  readonly until: Date
}

export async function signedIn(event: Asking): Promise<SignedIn | null> {
  const session = await readSessionCookie(event)
  return session ? ofSession((await services()).db, session) : null
}

/** Null when the session was ended, has run out, or its student has been taken off the list. */
async function ofSession(db: Kysely<Database>, session: string): Promise<SignedIn | null> {
  const row = await db
    .selectFrom('sessions')
    .leftJoin('teachers', 'teachers.id', 'sessions.teacher_id')
    .leftJoin('students', 'students.id', 'sessions.student_id')
    .select([
      'sessions.ends_at',
      'teachers.id as teacher',
      'teachers.name as teacherName',
      'students.id as student',
      'students.name as studentName',
      'students.class_id',
    ])
    .where('sessions.id', '=', session)
    .where('sessions.ends_at', '>', NOW)
    .where('students.left_at', 'is', null)
    .executeTakeFirst()
  const actor: Actor | null = row?.teacher
    ? { kind: 'teacher', id: row.teacher, name: row.teacherName!, session }
    : row?.student
      ? { kind: 'student', id: row.student, name: row.studentName!, classId: row.class_id!, session }
      : null
  return actor && { actor, until: row!.ends_at }
}

export async function requireTeacher(event: H3Event): Promise<Extract<Actor, { kind: 'teacher' }>> {
  const actor = await actorOf(event)
  if (!actor) throw refusal('signed-out')
  if (actor.kind !== 'teacher') throw refusal('not-yours')
  return actor
}

export async function requireStudent(event: H3Event): Promise<Extract<Actor, { kind: 'student' }>> {
  const actor = await actorOf(event)
  if (!actor) throw refusal('signed-out')
  if (actor.kind !== 'student') throw refusal('not-yours')
  return actor
}

/** Anybody who is signed in. */
export async function requireSomebody(event: H3Event): Promise<Actor> {
  const actor = await actorOf(event)
  if (!actor) throw refusal('signed-out')
  return actor
}

/** Passes only who has the right. Others can't tell a thing that isn't theirs from one that isn't there. */
export function requireRight(role: Role, action: Action): void {
  if (may(role, action)) return
  throw refusal(role === 'nobody' ? 'signed-out' : 'not-yours')
}
