import type { Kysely } from 'kysely'
import { nanoid } from 'nanoid'
import { ok, refuse, type Result } from '../../core/result'
import type { Database } from '../database/tables'
import { withNews } from '../news/wire'
import type { Services } from '../services'

type Db = Kysely<Database>
type Told = Pick<Services, 'db' | 'wire'>

const INVITE_LENGTH = 24
const MOST_ASSISTANTS = 20

/** Asks another teacher in by a link, or no longer. A new link makes the old one open nothing. */
export async function setInvite(db: Db, classId: string, on: boolean): Promise<string | null> {
  const invite = on ? nanoid(INVITE_LENGTH) : null
  await db.updateTable('classes').set({ invite }).where('id', '=', classId).execute()
  return invite
}

/** *own*: it is the teacher's own class. *full*: more don't help than these. Accepted twice, once helped. */
export type InviteRefusal = 'not-found' | 'own' | 'full'

export function acceptInvite(
  db: Db,
  teacher: string,
  invite: string,
): Promise<Result<{ id: string; name: string }, InviteRefusal>> {
  return db.transaction().execute(async trx => {
    const row = await trx
      .selectFrom('classes')
      .select(['id', 'name', 'teacher_id'])
      .where('invite', '=', invite)
      .forUpdate()
      .executeTakeFirst()
    if (!row) return refuse('not-found')
    if (row.teacher_id === teacher) return refuse('own')
    const helping = await trx
      .selectFrom('assistants')
      .select(['teacher_id', 'hand'])
      .where('class_id', '=', row.id)
      .execute()
    if (!helping.some(one => one.teacher_id === teacher)) {
      if (helping.length >= MOST_ASSISTANTS) return refuse('full')
      await trx
        .insertInto('assistants')
        .values({ class_id: row.id, teacher_id: teacher, hand: 1 + Math.max(0, ...helping.map(one => one.hand)) })
        .execute()
    }
    return ok({ id: row.id, name: row.name })
  })
}

/**
 * They help no longer, at once; what they wrote stays. The link that they once came by opens nothing any more: where
 * there was one, there is another. False when they didn't help.
 */
export function removeAssistant(services: Told, classId: string, teacher: string): Promise<boolean> {
  return withNews(services, async (trx, news) => {
    const gone = await trx
      .deleteFrom('assistants')
      .where('class_id', '=', classId)
      .where('teacher_id', '=', teacher)
      .executeTakeFirst()
    if (gone.numDeletedRows === 0n) return false
    await trx
      .updateTable('classes')
      .set({ invite: nanoid(INVITE_LENGTH) })
      .where('id', '=', classId)
      .where('invite', 'is not', null)
      .execute()
    news.push({ scope: 'class', class: classId })
    return true
  })
}

/** Who helps with a class, and the link by which others come to; for its teacher alone. */
export async function helpWith(db: Db, classId: string) {
  const { invite } = await db.selectFrom('classes').select('invite').where('id', '=', classId).executeTakeFirstOrThrow()
  const assistants = await db
    .selectFrom('assistants')
    .innerJoin('teachers', 'teachers.id', 'assistants.teacher_id')
    .select(['teachers.id', 'teachers.name'])
    .where('assistants.class_id', '=', classId)
    .orderBy('assistants.hand')
    .execute()
  return { invite, assistants }
}
