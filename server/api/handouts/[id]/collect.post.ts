import { answering } from '../../../http/answering'
import { handInFor, letGoOn } from '../../../usecases/lesson/hold'

/** Hands in for all, or for some, what is under way; with `back` they go on. */
export default answering('POST /api/handouts/[id]/collect', async ({ all, id, body: { back, slates } }) => {
  return { count: await (back ? letGoOn : handInFor)(all, id, slates) }
})
