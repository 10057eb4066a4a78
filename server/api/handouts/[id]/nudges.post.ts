import { answering } from '../../../http/answering'
import { nudge } from '../../../usecases/lesson/nudges'

/** A word to those who are at work, to all or to some. */
export default answering('POST /api/handouts/[id]/nudges', async ({ all, actor, id, body, refuse }) => {
  const done = await nudge(all, id, { teacher: actor.id, ...body })
  if (!done.ok) throw refuse(done.reason)
  return { count: done.value }
})
