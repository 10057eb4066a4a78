import { idParam } from '../../http/read'
import { refusal } from '../../http/refuse'
import { actorOf, requireRight } from '../../http/session'
import { whoOnSlate } from '../../rights/hold'
import { services } from '../../services'
import { markOpened } from '../../usecases/openness'
import { viewSlate } from '../../usecases/slates'

export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  const reader = await actorOf(event)
  const { role, hold } = await whoOnSlate(all.db, reader, id)
  requireRight(role, 'slate.read')
  const staff = reader!.kind === 'teacher'
  if (!staff) await markOpened(all, id)
  const view = await viewSlate(all, id, { id: reader!.id, staff, actor: hold!.actor })
  if (!view.ok) throw refusal(view.reason)
  return view.value
})
