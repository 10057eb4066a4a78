import * as v from 'valibot'
import { storedText } from '../../../../core/text/stored'
import { DecisionNameSchema } from '../../../../core/keys/mark'
import { idParam, readJson } from '../../../http/read'
import { requireRight, requireTeacher } from '../../../http/session'
import { roleOnSlate } from '../../../rights/roles'
import { services } from '../../../services'
import { saveReview } from '../../../usecases/review'

const Review = v.object({
  decisions: v.record(DecisionNameSchema, v.picklist(['right', 'wrong'])),
  comment: storedText(2000),
})

export default defineEventHandler(async (event) => {
  const all = await services()
  const id = idParam(event)
  const teacher = await requireTeacher(event)
  requireRight(await roleOnSlate(all.db, teacher, id), 'slate.review')
  const { decisions, comment } = await readJson(event, Review)
  await saveReview(all, id, teacher.id, decisions, comment)
  return { done: true }
})
