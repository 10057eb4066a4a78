import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { sentencesOf } from '../../usecases/sentences'

/** What this teacher has said before. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  return sentencesOf((await services()).db, teacher.id)
})
