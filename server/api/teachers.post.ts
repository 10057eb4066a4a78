import * as v from 'valibot'
import { storedText } from '../../core/text/storedText'
import { addressOf } from '../http/address'
import { mayAsk } from '../http/limits'
import { hashPassword } from '../http/passwords'
import { LARGEST, readJson } from '../http/read'
import { refusal } from '../http/refuse'
import { startSession } from '../http/session'
import { services } from '../services'

const NewTeacher = v.object({
  name: v.pipe(storedText(80), v.trim(), v.minLength(1)),
  email: v.pipe(storedText(254), v.trim(), v.toLowerCase(), v.email()),
  password: v.pipe(storedText(200), v.minLength(10)),
})

export default defineEventHandler(async event => {
  const { name, email, password } = await readJson(event, NewTeacher, LARGEST.anybody)
  const { db, limits } = await services()
  if (!(await mayAsk(limits.signUp, addressOf(event)))) throw refusal('too-often')
  const teacher = await db
    .insertInto('teachers')
    .values({ name, email, password_hash: await hashPassword(password) })
    .onConflict(c => c.column('email').doNothing())
    .returning('id')
    .executeTakeFirst()
  if (!teacher) throw refusal('taken')
  await startSession(event, { teacher_id: teacher.id })
  return { kind: 'teacher', id: teacher.id, name }
})
