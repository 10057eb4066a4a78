import * as v from 'valibot'
import { storedText } from '../../core/text/storedText'
import { addressOf } from '../http/address'
import { tryOnce } from '../http/limits'
import { passwordMatches } from '../http/passwords'
import { LARGEST, readJson } from '../http/read'
import { refusal } from '../http/refuse'
import { startSession } from '../http/session'
import { services } from '../services'

const SignIn = v.object({ email: v.pipe(storedText(254), v.trim(), v.toLowerCase()), password: storedText(200) })
/** Compared with when there is no such teacher, so that the answer takes as long as for a wrong password. */
const NOBODYS_HASH = 'scrypt:AAAAAAAAAAAAAAAAAAAAAA:AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA'

export default defineEventHandler(async event => {
  const { email, password } = await readJson(event, SignIn, LARGEST.anybody)
  const { db, limits } = await services()
  const teacher = await tryOnce(
    { shut: [{ limiter: limits.signIn, key: email }], slowed: [{ limiter: limits.address, key: addressOf(event) }] },
    async () => {
      const known = await db
        .selectFrom('teachers')
        .select(['id', 'name', 'password_hash'])
        .where('email', '=', email)
        .executeTakeFirst()
      return (await passwordMatches(password, known?.password_hash ?? NOBODYS_HASH)) && known ? known : null
    },
  )
  if (teacher === 'too-often') throw refusal('too-often')
  if (!teacher) throw refusal('wrong-sign-in')
  await startSession(event, { teacher_id: teacher.id })
  return { kind: 'teacher', id: teacher.id, name: teacher.name }
})
