import { requireRightOnClass } from '../../../../http/onClass'
import { helpWith } from '../../../../usecases/assistants'

export default defineEventHandler(async event => {
  const { db, id } = await requireRightOnClass(event, 'class.change')
  return helpWith(db, id)
})
