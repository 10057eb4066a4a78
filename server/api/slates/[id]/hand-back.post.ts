import { idParam } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnSlate } from '../../../rights/rights'
import { services } from '../../../services'
import { handBack } from '../../../usecases/slates'

export default defineEventHandler(async (event) => {
  const all = await services()
  const id = idParam(event)
  requireRight((await roleOnSlate(all.db, await actorOf(event), id)).role, 'slate.hand-back')
  const done = await handBack(all, id)
  if (!done.ok) throw refusal('not-now', done.reason)
  return { status: done.value }
})
