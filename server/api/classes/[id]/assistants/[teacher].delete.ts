import { requireRightOnClass } from '../../../../http/onClass'
import { idParam } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { removeAssistant } from '../../../../usecases/assistants'

export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  if (!(await removeAssistant(all, id, idParam(event, 'teacher')))) throw refusal('not-found')
  return {}
})
