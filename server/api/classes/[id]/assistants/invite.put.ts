import { answering } from '../../../../http/answering'
import { setInvite } from '../../../../usecases/assistants'

/** Another teacher is asked in by a link, or no longer. */
export default answering('PUT /api/classes/[id]/assistants/invite', async ({ all: { db }, id, body: { on } }) => {
  return { invite: await setInvite(db, id, on) }
})
