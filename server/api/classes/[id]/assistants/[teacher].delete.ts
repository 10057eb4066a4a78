import { answering } from '../../../../http/answering'
import { idParam } from '../../../../http/read'
import { removeAssistant } from '../../../../usecases/assistants'

export default answering('DELETE /api/classes/[id]/assistants/[teacher]', async ({ event, all, id, refuse }) => {
  if (!(await removeAssistant(all, id, idParam(event, 'teacher')))) throw refuse('not-found')
  return {}
})
