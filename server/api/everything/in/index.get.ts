import { requireTeacher } from '../../../http/session'
import { services } from '../../../services'
import { parcelsThatCame } from '../../../usecases/parcelsThatCome'

/** What a teacher brought from another place, and how far each is unpacked. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  return parcelsThatCame((await services()).db, teacher.id)
})
