import { requireRightOnHandout } from '../../../http/onHandout'
import { reviewLineOf } from '../../../usecases/reviewLine'

/** The line of those to review. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.walk')
  return reviewLineOf(all, id)
})
