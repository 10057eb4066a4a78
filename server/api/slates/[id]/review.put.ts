import { ReviewChangeSchema } from '../../../../core/handout/review'
import { idParam, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { requireRight, requireTeacher } from '../../../http/session'
import { roleOnSlate } from '../../../rights/roles'
import { services } from '../../../services'
import { saveReview } from '../../../usecases/review'

export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  const teacher = await requireTeacher(event)
  requireRight(await roleOnSlate(all.db, teacher, id), 'slate.review')
  const saved = await saveReview(all, id, teacher.id, await readJson(event, ReviewChangeSchema))
  if (!saved.ok)
    throw refusal(
      'bad-request',
      "More points than it counts for, levels that the rubric doesn't have, or a word to nobody.",
    )
  return { done: true }
})
