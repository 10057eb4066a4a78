import { answering } from '../../../http/answering'
import { openSlatesOf } from '../../../sync/openSlates'

/** Which students have which slates before them now, and when that is by the server's clock. */
export default answering('GET /api/handouts/[id]/open', async ({ all, id }) => {
  return { now: Date.now(), slates: await openSlatesOf(all.db, id) }
})
