import * as v from 'valibot'
import { storedText } from '../../../core/text/storedText'
import { addressOf } from '../../http/address'
import { tryOnce } from '../../http/limits'
import { LARGEST, readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { startSession } from '../../http/session'
import { services } from '../../services'
import { setPassword } from '../../usecases/mailedLinks'

const NewPassword = v.object({ link: storedText(60), password: v.pipe(storedText(200), v.minLength(10)) })

/** A new password, by the link that was mailed. */
export default defineEventHandler(async event => {
  const { link, password } = await readJson(event, NewPassword, LARGEST.anybody)
  const all = await services()
  const teacher = await tryOnce({ slowed: [{ limiter: all.limits.address, key: addressOf(event) }] }, () =>
    setPassword(all, link, password),
  )
  if (teacher === 'too-often') throw refusal('too-often')
  if (!teacher) throw refusal('no-such-link')
  await startSession(event, { teacher_id: teacher.id })
  return { kind: 'teacher', ...teacher }
})
