import { idParam } from '../../http/read'
import { actorOf, requireRight } from '../../http/session'
import { roleOnHandout } from '../../rights/roles'
import { services } from '../../services'
import { walkRound } from '../../usecases/walk'

export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  const role = await roleOnHandout(all.db, await actorOf(event), id)
  requireRight(role, 'handout.walk')
  return walkRound(all, id, role)
})
