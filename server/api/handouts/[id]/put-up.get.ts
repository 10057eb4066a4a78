import { answering } from '../../../http/answering'
import { putUpOn } from '../../../usecases/lesson/putUp'

/** What students put where others see it, with who and when. */
export default answering('GET /api/handouts/[id]/put-up', async ({ all, id }) => {
  return putUpOn(all, id)
})
