import { answering } from '../../../http/answering'
import { dropHandBack } from '../../../usecases/handBack'

/** Nothing goes back by itself any more. */
export default answering('DELETE /api/handouts/[id]/hand-back', async ({ all, id }) => {
  await dropHandBack(all.db, id)
  return {}
})
