import { requireRightOnSlate } from '../../../../http/onSlate'
import { idParam } from '../../../../http/read'
import { nudgeSeen } from '../../../../usecases/lesson/nudges'

/** A word from the teacher was seen. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.ask-for-help')
  await nudgeSeen(all, id, idParam(event, 'nudge'))
  return {}
})
