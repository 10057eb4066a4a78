import { answering } from '../../../http/answering'
import { setShow } from '../../../usecases/lesson/screen'

/** What the class screen shows from now on. */
export default answering('PUT /api/handouts/[id]/screen', async ({ all, id, body: { show } }) => {
  await setShow(all, id, show)
  return {}
})
