import { idParam } from '../../../http/read'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnHandout } from '../../../rights/roles'
import { services } from '../../../services'
import { correctHandout } from '../../../usecases/editions'

/**
 * Lays the board as it is now under a handout and all its slates. Done again after it broke off, it goes on where it
 * stopped.
 */
export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnHandout(all.db, await actorOf(event), id), 'handout.correct')
  const { changed, unreadable } = await correctHandout(all, id)
  return { changed: changed.length, unreadable: unreadable.length }
})
