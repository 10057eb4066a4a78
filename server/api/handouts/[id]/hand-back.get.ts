import { requireRightOnHandout } from '../../../http/onHandout'
import { handingBackOf } from '../../../usecases/handBack'

/** What goes back by itself, and when; null where nothing does. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.review')
  const later = await handingBackOf(all.db, id)
  if (!later) return { later: null }
  const { at, again, slates, failed_at } = later
  return { later: { at, again, count: slates?.length ?? null, failed: failed_at !== null } }
})
