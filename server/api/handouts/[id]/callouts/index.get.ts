import { answering } from '../../../../http/answering'
import { calledBefore } from '../../../../usecases/lesson/callOuts'

/** What was called before, and what was built for it. */
export default answering('GET /api/handouts/[id]/callouts', async ({ all, id }) => {
  return calledBefore(all.db, id)
})
