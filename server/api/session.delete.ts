import { answering } from '../http/answering'
import { endSession } from '../http/session'

export default answering('DELETE /api/session', async ({ event }) => {
  await endSession(event)
  return {}
})
