import { answering } from '../../../../../http/answering'
import { idParam } from '../../../../../http/read'
import { changeLink } from '../../../../../usecases/links'

/** A student's personal link is changed, or taken away. */
export default answering(
  'POST /api/classes/[id]/students/[student]/link',
  async ({ event, all, id, body: { to }, refuse }) => {
    if (!(await changeLink(all, id, idParam(event, 'student'), to))) throw refuse('not-found')
    return {}
  },
)
