import { requireTeacher } from '../../http/session'
import { sendParcel } from '../../http/sendParcel'
import { services } from '../../services'

/** A file with all that a teacher has that is ready. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  return sendParcel(event, (await services()).db, teacher.id, { kind: 'everything' })
})
