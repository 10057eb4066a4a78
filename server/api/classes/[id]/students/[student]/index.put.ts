import { hasLetter } from '../../../../../../core/roster/names'
import { answering } from '../../../../../http/answering'
import { idParam } from '../../../../../http/read'
import { changeStudent } from '../../../../../usecases/classes'

/** A student's name, preferred name or level, changed by hand. An empty one is none. */
export default answering(
  'PUT /api/classes/[id]/students/[student]',
  async ({ event, all, id, body: change, refuse }) => {
    if (change.name !== undefined && !hasLetter(change.name)) throw refuse('bad-name')
    const changed = await changeStudent(all, id, idParam(event, 'student'), change)
    if (!changed.ok) throw refuse(changed.reason)
    return {}
  },
)
