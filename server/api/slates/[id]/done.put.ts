import { answering } from '../../../http/answering'
import { sayDone } from '../../../usecases/together'

/** A member of a frame, or one of a class on its board, is done, or not yet after all. */
export default answering('PUT /api/slates/[id]/done', async ({ all, actor, id, body: { done }, refuse }) => {
  const said = await sayDone(all, id, actor.id, done)
  if (!said.ok) throw refuse(said.reason)
  return {}
})
