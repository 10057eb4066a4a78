import { requireRightOnHandout } from '../../../http/onHandout'
import { putUpOn } from '../../../usecases/lesson/putUp'

/** What students put where others see it, with who and when. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.walk')
  return putUpOn(all, id)
})
