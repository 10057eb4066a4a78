import { answering } from '../../../http/answering'
import { reviewLineOf } from '../../../usecases/reviewLine'

/** The line of those to review. */
export default answering('GET /api/handouts/[id]/line', async ({ all, id }) => {
  return reviewLineOf(all, id)
})
