import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { rubricsOf } from '../../usecases/rubrics'

export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  return rubricsOf((await services()).db, teacher.id)
})
