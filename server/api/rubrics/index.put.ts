import { RubricSchema } from '../../../core/handout/counting'
import { readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { keepRubric } from '../../usecases/rubrics'

/** Keeps a rubric by its name. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const kept = await keepRubric((await services()).db, teacher.id, await readJson(event, RubricSchema))
  if (!kept.ok) throw refusal(kept.reason)
  return kept.value
})
