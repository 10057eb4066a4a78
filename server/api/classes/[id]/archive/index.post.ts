import { requireRightOnClass } from '../../../../http/onClass'
import { refusal } from '../../../../http/refuse'
import { orderParcel } from '../../../../usecases/parcels'

/** Asks for all that a class has made as one file; it is packed meanwhile. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnClass(event, 'class.change')
  const asked = await orderParcel(all, actor.id, { kind: 'class', classId: id })
  if (!asked.ok) throw refusal(asked.reason)
  return asked.value
})
