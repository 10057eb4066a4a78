import { idParam } from '../../http/read'
import { refusal } from '../../http/refuse'
import { actorOf, requireRight } from '../../http/session'
import { roleOnHandout } from '../../rights/roles'
import { services } from '../../services'
import { takeBack } from '../../usecases/giveOut'
import { dropPlan } from '../../usecases/later'

/**
 * A draft is dropped, and what it was is given back; a handout is taken back as if it had never been given out, while
 * nobody has opened it.
 */
export default defineEventHandler(async event => {
  const { db } = await services()
  const id = idParam(event)
  requireRight(await roleOnHandout(db, await actorOf(event), id), 'handout.take-back')
  const dropped = await dropPlan(db, id)
  if (dropped) return { done: true, dropped }
  const taken = await takeBack(db, id)
  if (!taken.ok) throw refusal('not-now', taken.reason)
  return { done: true }
})
