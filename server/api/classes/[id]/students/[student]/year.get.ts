import { answering } from '../../../../../http/answering'
import { idParam } from '../../../../../http/read'
import { studentYear } from '../../../../../usecases/year'

/** One student over all that the class was given. */
export default answering(
  'GET /api/classes/[id]/students/[student]/year',
  async ({ event, all, id: classId, refuse }) => {
    const year = await studentYear(all, { classId, student: idParam(event, 'student') })
    if (!year) throw refuse('not-found')
    return year
  },
)
