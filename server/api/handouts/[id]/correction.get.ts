import { answering } from '../../../http/answering'
import { previewHandout } from '../../../usecases/editions'

/** What laying the board as it is now under the slates would change. */
export default answering('GET /api/handouts/[id]/correction', async ({ all, id }) => {
  return previewHandout(all, id)
})
