import { addressOf } from '../http/address'
import { answering } from '../http/answering'
import { mayAsk } from '../http/limits'
import { hashPassword } from '../http/passwords'
import { startSession } from '../http/session'

export default answering(
  'POST /api/teachers',
  async ({ event, body: { name, email, password }, all: { db, limits }, refuse }) => {
    if (!(await mayAsk(limits.signUp, addressOf(event)))) throw refuse('too-often')
    const teacher = await db
      .insertInto('teachers')
      .values({ name, email, password_hash: await hashPassword(password) })
      .onConflict(c => c.column('email').doNothing())
      .returning('id')
      .executeTakeFirst()
    if (!teacher) throw refuse('taken')
    await startSession(event, { teacher_id: teacher.id })
    return { kind: 'teacher' as const, id: teacher.id, name }
  },
)
