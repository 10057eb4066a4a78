import { addressOf } from '../http/address'
import { answering } from '../http/answering'
import { tryOnce } from '../http/limits'
import { passwordMatches } from '../http/passwords'
import { startSession } from '../http/session'

/** Compared with when there is no such teacher, so that the answer takes as long as for a wrong password. */
const NOBODYS_HASH = 'scrypt:AAAAAAAAAAAAAAAAAAAAAA:AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA'

export default answering(
  'POST /api/session',
  async ({ event, body: { email, password }, all: { db, limits }, refuse }) => {
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
    if (teacher === 'too-often') throw refuse('too-often')
    if (!teacher) throw refuse('wrong-sign-in')
    await startSession(event, { teacher_id: teacher.id })
    return { kind: 'teacher' as const, id: teacher.id, name: teacher.name }
  },
)
