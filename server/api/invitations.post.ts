import { answering } from '../http/answering'
import { tryOnce } from '../http/limits'
import { acceptInvite } from '../usecases/assistants'

/** A teacher comes to help with a class by the link they were given. */
export default answering(
  'POST /api/invitations',
  async ({ actor: teacher, body: { invite }, all: { db, limits }, refuse }) => {
    const accepted = await tryOnce(
      { shut: [{ limiter: limits.signIn, key: `invitation ${teacher.id}` }] },
      async () => {
        const result = await acceptInvite(db, teacher.id, invite)
        return result.ok || result.reason !== 'not-found' ? result : null
      },
    )
    if (accepted === 'too-often') throw refuse('too-often')
    if (!accepted) throw refuse('no-such-invitation')
    if (!accepted.ok) throw refuse('not-now', accepted.reason)
    return accepted.value
  },
)
