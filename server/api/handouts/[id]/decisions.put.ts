import { answering } from '../../../http/answering'
import { decideOn } from '../../../usecases/answers'

/** The teacher's word on one item of several slates at once. */
export default answering('PUT /api/handouts/[id]/decisions', async ({ all, actor, id, body }) => {
  return { slates: await decideOn(all, id, actor.id, body) }
})
