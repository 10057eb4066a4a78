import { answering } from '../../http/answering'
import { idParam } from '../../http/read'
import { dropRubric } from '../../usecases/rubrics'

export default answering('DELETE /api/rubrics/[id]', async ({ event, all, actor: teacher, refuse }) => {
  if (!(await dropRubric(all.db, teacher.id, idParam(event)))) throw refuse('not-found')
  return {}
})
