import { addressOf } from '../../http/address'
import { answering } from '../../http/answering'
import { tryOnce } from '../../http/limits'
import { startSession } from '../../http/session'
import { setPassword } from '../../usecases/mailedLinks'

/** A new password, by the link that was mailed. */
export default answering('POST /api/teachers/password', async ({ event, body: { link, password }, all, refuse }) => {
  const teacher = await tryOnce({ slowed: [{ limiter: all.limits.address, key: addressOf(event) }] }, () =>
    setPassword(all, link, password),
  )
  if (teacher === 'too-often') throw refuse('too-often')
  if (!teacher) throw refuse('no-such-link')
  await startSession(event, { teacher_id: teacher.id })
  return { kind: 'teacher' as const, ...teacher }
})
