import { SlatesOrderSchema } from '../../../../../core/paper/slatesOrder'
import { requireRightOnHandout } from '../../../../http/onHandout'
import { readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { orderParcel } from '../../../../usecases/parcels'

/** Asks for the slates of a handout on paper; it is made meanwhile. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnHandout(event, 'handout.review')
  const order = await readJson(event, SlatesOrderSchema)
  const asked = await orderParcel(all, actor.id, { kind: 'slates', handout: id, order })
  if (!asked.ok) throw refusal(asked.reason)
  return asked.value
})
