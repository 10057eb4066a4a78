import { requireRightOnClass } from '../../../../http/onClass'
import { sendParcel } from '../../../../http/sendParcel'

/** An archive of a class that is ready. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnClass(event, 'class.change')
  return sendParcel(event, all.db, actor.id, { kind: 'class', classId: id })
})
