import { addressOf } from '../../http/address'
import { answering } from '../../http/answering'
import { mayAsk } from '../../http/limits'
import { log } from '../../log'
import { mailLink } from '../../usecases/mailedLinks'

/**
 * Mails a link for a new password. Answered before it is known whether anybody has the address, so that nobody can find
 * out.
 */
export default answering(
  'POST /api/teachers/link',
  async ({ event, body: { email }, all: { db, limits, mail }, refuse }) => {
    if (!mail) throw refuse('no-mail')
    if (!(await mayAsk(limits.signUp, addressOf(event)))) throw refuse('too-often')
    // Beyond its limit an address is mailed nothing more, and nobody is told that either.
    if (await mayAsk(limits.letters, email))
      mailLink(db, mail, email, 'new-password').catch((error: unknown) =>
        log.error({ error: String(error) }, 'a letter could not be written'),
      )
    return {}
  },
)
