import { answering } from '../../../../../http/answering'
import { idParam } from '../../../../../http/read'
import { setLeft } from '../../../../../usecases/classes'

/** A student leaves the class with their work kept, or comes back to it. */
export default answering(
  'PUT /api/classes/[id]/students/[student]/left',
  async ({ event, all, id, body: { left }, refuse }) => {
    if (!(await setLeft(all, id, idParam(event, 'student'), left))) throw refuse('not-found')
    return {}
  },
)
