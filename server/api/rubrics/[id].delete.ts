import { idParam } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { dropRubric } from '../../usecases/rubrics'

export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  if (!(await dropRubric((await services()).db, teacher.id, idParam(event)))) throw refusal('not-found')
  return {}
})
