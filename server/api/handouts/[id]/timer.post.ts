import { answering } from '../../../http/answering'
import { extendTimer } from '../../../usecases/lesson/timer'

/** So much more time. */
export default answering('POST /api/handouts/[id]/timer', async ({ all, id, body: { seconds }, refuse }) => {
  if (!(await extendTimer(all, id, seconds))) throw refuse('not-now')
  return {}
})
