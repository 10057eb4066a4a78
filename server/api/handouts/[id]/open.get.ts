import { requireRightOnHandout } from '../../../http/onHandout'
import { openSlatesOf } from '../../../sync/openSlates'

/** Which students have which slates before them now, and when that is by the server's clock. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.walk')
  return { now: Date.now(), slates: await openSlatesOf(all.db, id) }
})
