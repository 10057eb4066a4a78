import * as v from 'valibot'
import { storedText } from '../../../../core/text/storedText'
import { DecisionNameSchema } from '../../../../core/keys/mark'
import { LevelsSchema, MOST_POINTS } from '../../../../core/handout/counting'
import { idParam, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { requireRight, requireTeacher } from '../../../http/session'
import { roleOnSlate } from '../../../rights/roles'
import { services } from '../../../services'
import { saveReview } from '../../../usecases/review'

const Review = v.object({
  decisions: v.record(DecisionNameSchema, v.picklist(['right', 'wrong'])),
  comment: storedText(2000),
  points: v.optional(
    v.nullable(
      v.pipe(
        v.number(),
        v.minValue(0),
        v.maxValue(MOST_POINTS),
        v.transform(points => Math.round(points * 100) / 100),
      ),
    ),
    null,
  ),
  levels: v.optional(LevelsSchema, {}),
})

export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  const teacher = await requireTeacher(event)
  requireRight(await roleOnSlate(all.db, teacher, id), 'slate.review')
  const saved = await saveReview(all, id, teacher.id, await readJson(event, Review))
  if (!saved.ok) throw refusal('bad-request', "More points than it counts for, or levels that the rubric doesn't have.")
  return { done: true }
})
