import { answering } from '../../http/answering'
import { mayAsk } from '../../http/limits'
import { mailLink, proveAddress } from '../../usecases/mailedLinks'

/** With the link that was mailed, the teacher's address is proven; without one, a link is mailed. */
export default answering(
  'POST /api/teachers/address',
  async ({ actor: teacher, body: { link }, all: { db, limits, mail }, refuse }) => {
    if (link !== undefined) {
      if (!(await proveAddress(db, link))) throw refuse('no-such-link')
      return {}
    }
    if (!mail) throw refuse('no-mail')
    const { email } = await db
      .selectFrom('teachers')
      .select('email')
      .where('id', '=', teacher.id)
      .executeTakeFirstOrThrow()
    if (!(await mayAsk(limits.letters, email))) throw refuse('too-often')
    await mailLink(db, mail, email, 'prove-address')
    return {}
  },
)
