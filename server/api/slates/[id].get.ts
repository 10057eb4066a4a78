import { idParam } from '../../http/read'
import { actorOf, requireRight } from '../../http/session'
import { roleOnSlate } from '../../rights/rights'
import { services } from '../../services'
import { markOpened, viewSlate } from '../../usecases/slates'

export default defineEventHandler(async (event) => {
  const all = await services()
  const id = idParam(event)
  const { role } = await roleOnSlate(all.db, await actorOf(event), id)
  requireRight(role, 'slate.read')
  if (role === 'holder') await markOpened(all, id)
  return viewSlate(all, id, role === 'owner' ? 'owner' : 'holder')
})
