import { requireRightOnHandout } from '../../../http/onHandout'
import { dropHandBack } from '../../../usecases/handBack'

/** Nothing goes back by itself any more. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.review')
  await dropHandBack(all.db, id)
  return {}
})
