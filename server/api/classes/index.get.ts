import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { classesOf } from '../../usecases/classReading'

export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  return classesOf((await services()).db, teacher.id)
})
