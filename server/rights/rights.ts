import type { Kysely } from 'kysely'
import type { Database } from '../database/tables'
import type { Actor } from './actor'

/**
 * What somebody is to a thing. *owner*: the teacher whose board, class or handout it is. *holder*: the student whose
 * slate it is. *member*: a student of the class. *outsider*: signed in, and nothing to it. *nobody*: not signed in.
 */
export type Role = 'owner' | 'holder' | 'member' | 'outsider' | 'nobody'

/** The whole of it: who may do what. Routes and the socket ask here and nowhere else. */
export const RIGHTS = {
  'board.read': ['owner'],
  'board.change': ['owner'],
  'board.give-out': ['owner'],
  'class.read': ['owner'],
  'class.change': ['owner'],
  'handout.walk': ['owner'],
  'slate.read': ['owner', 'holder'],
  'slate.move': ['holder'],
  'slate.hand-in': ['holder'],
  'slate.feedback': ['holder'],
  'slate.review': ['owner'],
  'slate.hand-back': ['owner'],
  'margin.write': ['owner'],
  'file.read': ['owner', 'member'],
} as const satisfies Record<string, readonly Role[]>
export type Action = keyof typeof RIGHTS

export function may(role: Role, action: Action): boolean {
  return (RIGHTS[action] as readonly Role[]).includes(role)
}

type Db = Kysely<Database>

const base = (actor: Actor | null): Role => actor ? 'outsider' : 'nobody'
const isOwner = (actor: Actor | null, teacher: string | undefined) => actor?.kind === 'teacher' && actor.id === teacher

export async function roleOnBoard(db: Db, actor: Actor | null, id: string): Promise<Role> {
  const row = await db.selectFrom('boards').select('teacher_id').where('id', '=', id).executeTakeFirst()
  return isOwner(actor, row?.teacher_id) ? 'owner' : base(actor)
}

export async function roleOnClass(db: Db, actor: Actor | null, id: string): Promise<Role> {
  const row = await db.selectFrom('classes').select('teacher_id').where('id', '=', id).executeTakeFirst()
  if (isOwner(actor, row?.teacher_id)) return 'owner'
  return row && actor?.kind === 'student' && actor.classId === id ? 'member' : base(actor)
}

export async function roleOnHandout(db: Db, actor: Actor | null, id: string): Promise<Role> {
  const row = await db.selectFrom('handouts').innerJoin('classes', 'classes.id', 'handouts.class_id')
    .select(['classes.teacher_id', 'classes.id']).where('handouts.id', '=', id).executeTakeFirst()
  if (isOwner(actor, row?.teacher_id)) return 'owner'
  return row && actor?.kind === 'student' && actor.classId === row.id ? 'member' : base(actor)
}

export async function roleOnSlate(db: Db, actor: Actor | null, id: string): Promise<{ role: Role, handout?: string }> {
  const row = await db.selectFrom('slates').innerJoin('classes', 'classes.id', 'slates.class_id')
    .select(['classes.teacher_id', 'slates.student_id', 'slates.class_id', 'slates.handout_id']).where('slates.id', '=', id).executeTakeFirst()
  if (!row) return { role: base(actor) }
  if (isOwner(actor, row.teacher_id)) return { role: 'owner', handout: row.handout_id }
  if (actor?.kind === 'student' && actor.id === row.student_id) return { role: 'holder', handout: row.handout_id }
  return { role: actor?.kind === 'student' && actor.classId === row.class_id ? 'member' : base(actor) }
}

/** A file is its uploader's, and any student's to whose class a board with it was given out. */
export async function roleOnFile(db: Db, actor: Actor | null, hash: string): Promise<Role> {
  if (actor?.kind === 'teacher') {
    const owned = await db.selectFrom('file_owners').select('file_hash').where('file_hash', '=', hash).where('teacher_id', '=', actor.id).executeTakeFirst()
    return owned ? 'owner' : 'outsider'
  }
  if (actor?.kind === 'student') {
    const given = await db.selectFrom('edition_files').innerJoin('handouts', 'handouts.edition_hash', 'edition_files.edition_hash')
      .select('handouts.id').where('edition_files.file_hash', '=', hash).where('handouts.class_id', '=', actor.classId).executeTakeFirst()
    return given ? 'member' : 'outsider'
  }
  return 'nobody'
}
