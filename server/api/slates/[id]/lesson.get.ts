import { requireRightOnSlate } from '../../../http/onSlate'
import { lessonForSlate } from '../../../usecases/lesson/lesson'

/** What the teacher does with the class at work, as far as who works on this slate sees it. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.read')
  return lessonForSlate(all.db, id)
})
