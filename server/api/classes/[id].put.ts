import { answering } from '../../http/answering'
import { changeClass } from '../../usecases/classes'

/** A class is renamed, put away or taken back. */
export default answering('PUT /api/classes/[id]', async ({ all, id, body, refuse }) => {
  const changed = await changeClass(all, id, body)
  if (!changed.ok) throw refuse(changed.reason)
  return {}
})
