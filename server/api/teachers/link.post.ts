import * as v from 'valibot'
import { storedText } from '../../../core/text/storedText'
import { addressOf } from '../../http/address'
import { mayAsk } from '../../http/limits'
import { LARGEST, readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { log } from '../../log'
import { services } from '../../services'
import { mailLink } from '../../usecases/mailedLinks'

const Ask = v.object({ email: v.pipe(storedText(254), v.trim(), v.toLowerCase(), v.email()) })

/**
 * Mails a link for a new password. Answered before it is known whether anybody has the address, so that nobody can find
 * out.
 */
export default defineEventHandler(async event => {
  const { email } = await readJson(event, Ask, LARGEST.anybody)
  const { db, limits, mail } = await services()
  if (!mail) throw refusal('no-mail')
  if (!(await mayAsk(limits.signUp, addressOf(event)))) throw refusal('too-often')
  // Beyond its limit an address is mailed nothing more, and nobody is told that either.
  if (await mayAsk(limits.letters, email))
    mailLink(db, mail, email, 'new-password').catch((error: unknown) =>
      log.error({ error: String(error) }, 'a letter could not be written'),
    )
  return {}
})
