import * as v from 'valibot'
import { idParam, readJson } from '../../../http/read'
import { requireRight, requireTeacher } from '../../../http/session'
import { roleOnSlate } from '../../../rights/rights'
import { services } from '../../../services'
import { saveReview } from '../../../usecases/review'

/** A piece, a place, or a cell of a grid. */
const ItemSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{1,40}(:\d{1,2},\d{1,2})?$/))

const Review = v.object({
  decisions: v.record(ItemSchema, v.picklist(['right', 'wrong'])),
  comment: v.pipe(v.string(), v.maxLength(2000)),
})

export default defineEventHandler(async (event) => {
  const all = await services()
  const id = idParam(event)
  const teacher = await requireTeacher(event)
  requireRight((await roleOnSlate(all.db, teacher, id)).role, 'slate.review')
  const { decisions, comment } = await readJson(event, Review)
  await saveReview(all, id, teacher.id, decisions, comment)
  return { done: true }
})
