import { idParam } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnSlate } from '../../../rights/rights'
import { services } from '../../../services'
import { feedbackFor } from '../../../usecases/slates'

/** The key never leaves the server before a slate is handed back; what it says of this student's work may. */
export default defineEventHandler(async (event) => {
  const all = await services()
  const id = idParam(event)
  requireRight((await roleOnSlate(all.db, await actorOf(event), id)).role, 'slate.feedback')
  const feedback = await feedbackFor(all, id)
  if (!feedback.ok) throw refusal('not-now', feedback.reason)
  return { items: feedback.value }
})
