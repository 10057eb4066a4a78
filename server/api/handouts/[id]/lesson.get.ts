import { requireRightOnHandout } from '../../../http/onHandout'
import { lessonOf } from '../../../usecases/lesson/lesson'

/** What the teacher does with the class at work, as it is now. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.walk')
  return lessonOf(all.db, id)
})
