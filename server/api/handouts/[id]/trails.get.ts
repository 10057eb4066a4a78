import { requireRightOnHandout } from '../../../http/onHandout'
import { trailsOf } from '../../../usecases/lesson/trails'

/** What was done last on each slate that is under way. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.walk')
  return trailsOf(all, id)
})
