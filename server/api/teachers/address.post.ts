import * as v from 'valibot'
import { storedText } from '../../../core/text/storedText'
import { mayAsk } from '../../http/limits'
import { LARGEST, readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { mailLink, proveAddress } from '../../usecases/mailedLinks'

/** With the link that was mailed, the teacher's address is proven; without one, a link is mailed. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const { link } = await readJson(event, v.object({ link: v.optional(storedText(60)) }), LARGEST.anybody)
  const { db, limits, mail } = await services()
  if (link !== undefined) {
    if (!(await proveAddress(db, link))) throw refusal('no-such-link')
    return {}
  }
  if (!mail) throw refusal('no-mail')
  const { email } = await db
    .selectFrom('teachers')
    .select('email')
    .where('id', '=', teacher.id)
    .executeTakeFirstOrThrow()
  if (!(await mayAsk(limits.letters, email))) throw refusal('too-often')
  await mailLink(db, mail, email, 'prove-address')
  return {}
})
