import { answering } from '../../../http/answering'
import { keepAsClass, setDoor } from '../../../usecases/newcomers'

/** Opens or closes the code by which whoever comes is in, or keeps who came as a class. */
export default answering('PUT /api/classes/[id]/newcomers', async ({ all, id, body: change, refuse }) => {
  if (change.to !== 'kept') {
    if (!(await setDoor(all, id, change.to))) throw refuse('not-found')
    return {}
  }
  const kept = await keepAsClass(all, id, change.name)
  if (!kept.ok) throw refuse(kept.reason)
  return {}
})
