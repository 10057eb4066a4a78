import * as v from 'valibot'
import { hashPassword } from '../http/passwords'
import { readJson } from '../http/read'
import { refusal } from '../http/refuse'
import { startSession } from '../http/session'
import { services } from '../services'

const NewTeacher = v.object({
  name: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(80)),
  email: v.pipe(v.string(), v.trim(), v.toLowerCase(), v.email(), v.maxLength(254)),
  password: v.pipe(v.string(), v.minLength(10), v.maxLength(200)),
})

export default defineEventHandler(async (event) => {
  const { name, email, password } = await readJson(event, NewTeacher)
  const { db } = await services()
  const teacher = await db.insertInto('teachers').values({ name, email, password_hash: await hashPassword(password) })
    .onConflict(c => c.column('email').doNothing()).returning('id').executeTakeFirst()
  if (!teacher) throw refusal('taken')
  await startSession(event, { teacher_id: teacher.id })
  return { kind: 'teacher', id: teacher.id, name }
})
