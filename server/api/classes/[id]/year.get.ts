import { answering } from '../../../http/answering'
import { classYear } from '../../../usecases/year'

/** How the class did in each subject and tag. */
export default answering('GET /api/classes/[id]/year', async ({ all, id }) => {
  return { works: await classYear(all, id) }
})
