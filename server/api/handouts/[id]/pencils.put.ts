import { answering } from '../../../http/answering'
import { pencils } from '../../../usecases/lesson/hold'

/** Pencils down or up, for all or for some. */
export default answering('PUT /api/handouts/[id]/pencils', async ({ all, id, body }) => {
  await pencils(all, id, body)
  return {}
})
