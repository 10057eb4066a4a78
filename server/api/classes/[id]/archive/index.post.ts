import { answering } from '../../../../http/answering'
import { orderParcel } from '../../../../usecases/parcels'

/** Asks for all that a class has made as one file; it is packed meanwhile. */
export default answering('POST /api/classes/[id]/archive', async ({ all, actor, id, refuse }) => {
  const asked = await orderParcel(all, actor.id, { kind: 'class', classId: id })
  if (!asked.ok) throw refuse(asked.reason)
  return asked.value
})
