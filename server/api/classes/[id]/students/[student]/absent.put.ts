import { answering } from '../../../../../http/answering'
import { idParam } from '../../../../../http/read'
import { setAbsent } from '../../../../../usecases/groups'

/** Away on a day, or there after all. */
export default answering(
  'PUT /api/classes/[id]/students/[student]/absent',
  async ({ event, all: { db }, id, body: { day, absent }, refuse }) => {
    if (!(await setAbsent(db, id, { student: idParam(event, 'student'), day, absent }))) throw refuse('not-found')
    return {}
  },
)
