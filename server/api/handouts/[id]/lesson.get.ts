import { answering } from '../../../http/answering'
import { lessonOf } from '../../../usecases/lesson/lesson'

/** What the teacher does with the class at work, as it is now. */
export default answering('GET /api/handouts/[id]/lesson', async ({ all, id }) => {
  return lessonOf(all.db, id)
})
