import { answering } from '../../../http/answering'
import { raiseHand } from '../../../usecases/together'

/** Whoever works on a slate asks for help, or no longer. */
export default answering('PUT /api/slates/[id]/hand', async ({ all, id, body: { up }, refuse }) => {
  const raised = await raiseHand(all, id, up)
  if (!raised.ok) throw refuse(raised.reason)
  return {}
})
