import { answering } from '../../../../http/answering'
import { orderParcel } from '../../../../usecases/parcels'

/** Asks for the slates of a handout on paper; it is made meanwhile. */
export default answering('POST /api/handouts/[id]/papers', async ({ all, actor, id, body: order, refuse }) => {
  const asked = await orderParcel(all, actor.id, { kind: 'slates', handout: id, order })
  if (!asked.ok) throw refuse(asked.reason)
  return asked.value
})
