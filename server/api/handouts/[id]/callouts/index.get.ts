import { requireRightOnHandout } from '../../../../http/onHandout'
import { calledBefore } from '../../../../usecases/lesson/callOuts'

/** What was called before, and what was built for it. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.walk')
  return calledBefore(all.db, id)
})
