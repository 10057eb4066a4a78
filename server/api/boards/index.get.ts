import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { boardsOf } from '../../usecases/boards'

export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  return boardsOf((await services()).db, teacher.id)
})
