import { answering } from '../../../http/answering'
import { lessonForSlate } from '../../../usecases/lesson/lesson'

/** What the teacher does with the class at work, as far as who works on this slate sees it. */
export default answering('GET /api/slates/[id]/lesson', async ({ all, id }) => {
  return lessonForSlate(all.db, id)
})
