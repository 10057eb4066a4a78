import * as v from 'valibot'
import { storedText } from '../../core/text/storedText'
import { tryOnce } from '../http/limits'
import { LARGEST, readJson } from '../http/read'
import { refusal } from '../http/refuse'
import { requireTeacher } from '../http/session'
import { services } from '../services'
import { acceptInvite } from '../usecases/assistants'

/** A teacher comes to help with a class by the link they were given. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const { invite } = await readJson(event, v.object({ invite: storedText(40) }), LARGEST.anybody)
  const { db, limits } = await services()
  const accepted = await tryOnce({ shut: [{ limiter: limits.signIn, key: `invitation ${teacher.id}` }] }, async () => {
    const result = await acceptInvite(db, teacher.id, invite)
    return result.ok || result.reason !== 'not-found' ? result : null
  })
  if (accepted === 'too-often') throw refusal('too-often')
  if (!accepted) throw refusal('no-such-invitation')
  if (!accepted.ok) throw refusal('not-now', accepted.reason)
  return accepted.value
})
