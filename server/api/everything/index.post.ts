import { answering } from '../../http/answering'
import { orderParcel } from '../../usecases/parcels'

/** Asks for all that a teacher has as one file; it is packed meanwhile. */
export default answering('POST /api/everything', async ({ all, actor: teacher, refuse }) => {
  const asked = await orderParcel(all, teacher.id, { kind: 'everything' })
  if (!asked.ok) throw refuse(asked.reason)
  return asked.value
})
