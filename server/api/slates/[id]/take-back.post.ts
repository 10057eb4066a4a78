import { answering } from '../../../http/answering'
import { takeBackHandedIn } from '../../../usecases/tries'

/** A student takes back what was handed in and isn't looked at yet. */
export default answering('POST /api/slates/[id]/take-back', async ({ all, id, refuse }) => {
  const taken = await takeBackHandedIn(all, id)
  if (!taken.ok) throw refuse(taken.reason)
  return { status: taken.value }
})
