import { requireRightOnClass } from '../../../../http/onClass'
import { idParam } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { dropSet } from '../../../../usecases/groups'

/** Frames that were made from the set stay as they are. */
export default defineEventHandler(async event => {
  const { db, id } = await requireRightOnClass(event, 'class.change')
  if (!(await dropSet(db, id, idParam(event, 'set')))) throw refusal('not-found')
  return {}
})
