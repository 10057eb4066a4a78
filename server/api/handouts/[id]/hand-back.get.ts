import { requireRightOnHandout } from '../../../http/onHandout'
import { handingBackOf } from '../../../usecases/handBack'

/** What goes back by itself, and when; null where nothing does. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.review')
  const later = await handingBackOf(all.db, id)
  return { later: later ? { at: later.at, again: later.again, count: later.slates?.length ?? null } : null }
})
