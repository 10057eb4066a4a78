import { answering } from '../../../../../http/answering'
import { idParam } from '../../../../../http/read'
import { joinAsOne } from '../../../../../usecases/newcomers'

/** Another of those who came is this very person: they go on as this one. */
export default answering(
  'POST /api/classes/[id]/students/[student]/same',
  async ({ event, all, id, body: { other }, refuse }) => {
    if (!(await joinAsOne(all, id, idParam(event, 'student'), other))) throw refuse('not-found')
    return {}
  },
)
