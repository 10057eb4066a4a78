import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { handoutsOf } from '../../usecases/walk'

export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  return handoutsOf(await services(), teacher.id)
})
