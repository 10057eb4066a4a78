import { idParam } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnSlate } from '../../../rights/roles'
import { services } from '../../../services'
import { handIn } from '../../../usecases/openness'

export default defineEventHandler(async (event) => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnSlate(all.db, await actorOf(event), id), 'slate.hand-in')
  const done = await handIn(all, id)
  if (!done.ok) throw refusal('not-now', done.reason)
  return { status: done.value }
})
