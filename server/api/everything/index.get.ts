import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { parcelsOf } from '../../usecases/parcels'

/** The files with all that a teacher has that they have asked for, and how far they are. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  return parcelsOf((await services()).db, teacher.id, { kind: 'everything' })
})
