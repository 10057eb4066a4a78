import { answering } from '../../../http/answering'
import { trailsOf } from '../../../usecases/lesson/trails'

/** What was done last on each slate that is under way. */
export default answering('GET /api/handouts/[id]/trails', async ({ all, id }) => {
  return trailsOf(all, id)
})
