import { requireRightOnHandout } from '../../../http/onHandout'
import { findingsOn } from '../../../usecases/findings'

/** What findings on a handout are worked out from. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.walk')
  return findingsOn(all, id)
})
