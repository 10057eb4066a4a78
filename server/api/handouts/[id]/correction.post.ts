import { answering } from '../../../http/answering'
import { correctHandout } from '../../../usecases/editions'

/**
 * Lays the board as it is now under a handout and all its slates. Done again after it broke off, it goes on where it
 * stopped.
 */
export default answering('POST /api/handouts/[id]/correction', async ({ all, id }) => {
  const { changed, unreadable } = await correctHandout(all, id)
  return { changed: changed.length, unreadable: unreadable.length }
})
