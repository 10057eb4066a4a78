import { answering } from '../../../http/answering'
import { openHeldPages } from '../../../usecases/editions'

/** Gives the pages that were held back to everybody who works on it. Done again after it broke off, it goes on. */
export default answering('POST /api/handouts/[id]/held-pages', async ({ all, id }) => {
  const { changed, unreadable } = await openHeldPages(all, id)
  return { changed: changed.length, unreadable: unreadable.length }
})
