import { idParam } from '../../../http/read'
import { mayAsk } from '../../../http/limits'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight, requireStudent } from '../../../http/session'
import { roleOnSlate } from '../../../rights/roles'
import { services } from '../../../services'
import { feedbackFor } from '../../../usecases/slates'

/** The key never leaves the server before a slate is handed back; what it says of this student's work may. */
export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnSlate(all.db, await actorOf(event), id), 'slate.feedback')
  const student = await requireStudent(event)
  if (!(await mayAsk(all.limits.feedback, student.id))) throw refusal('too-often')
  const feedback = await feedbackFor(all, id)
  if (!feedback.ok)
    throw refusal(
      feedback.reason === 'busy' || feedback.reason === 'too-heavy' || feedback.reason === 'unreadable'
        ? feedback.reason
        : 'not-now',
      feedback.reason,
    )
  return feedback.value
})
