import * as v from 'valibot'
import { countFailure, mayTry } from '../http/limits'
import { passwordMatches } from '../http/passwords'
import { readJson } from '../http/read'
import { refusal } from '../http/refuse'
import { startSession } from '../http/session'
import { services } from '../services'

const SignIn = v.object({
  email: v.pipe(v.string(), v.trim(), v.toLowerCase(), v.maxLength(254)),
  password: v.pipe(v.string(), v.maxLength(200)),
})
/** Compared with when there is no such teacher, so that the answer takes as long as for a wrong password. */
const NOBODYS_HASH = 'scrypt:AAAAAAAAAAAAAAAAAAAAAA:AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA'

export default defineEventHandler(async (event) => {
  const { email, password } = await readJson(event, SignIn)
  const { db, limits } = await services()
  if (!await mayTry(limits.signIn, email)) throw refusal('too-often')
  const teacher = await db.selectFrom('teachers').select(['id', 'name', 'password_hash']).where('email', '=', email).executeTakeFirst()
  if (!await passwordMatches(password, teacher?.password_hash ?? NOBODYS_HASH) || !teacher) {
    await countFailure(limits.signIn, email)
    throw refusal('wrong-sign-in')
  }
  await startSession(event, { teacher_id: teacher.id })
  return { kind: 'teacher', id: teacher.id, name: teacher.name }
})
