import { answering } from '../../../http/answering'
import { markSeen } from '../../../usecases/together'

/** A teacher has seen what a slate called for. */
export default answering('PUT /api/slates/[id]/seen', async ({ all, id }) => {
  await markSeen(all, id)
  return {}
})
