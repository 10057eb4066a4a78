import { requireRightOnHandout } from '../../../http/onHandout'
import { openHeldPages } from '../../../usecases/editions'

/** Gives the pages that were held back to everybody who works on it. Done again after it broke off, it goes on. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.correct')
  const { changed, unreadable } = await openHeldPages(all, id)
  return { changed: changed.length, unreadable: unreadable.length }
})
