import { answering } from '../../../http/answering'
import { setTimer } from '../../../usecases/lesson/timer'

/** Sets the timer, or takes it away. */
export default answering('PUT /api/handouts/[id]/timer', async ({ all, id, body: { timer } }) => {
  await setTimer(all, id, timer)
  return {}
})
