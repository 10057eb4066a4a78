import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { orderParcel } from '../../usecases/parcels'

/** Asks for all that a teacher has as one file; it is packed meanwhile. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const asked = await orderParcel(await services(), teacher.id, { kind: 'everything' })
  if (!asked.ok) throw refusal(asked.reason)
  return asked.value
})
