import { requireRightOnSlate } from '../../../http/onSlate'
import { markSeen } from '../../../usecases/together'

/** A teacher has seen what a slate called for. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.see')
  await markSeen(all, id)
  return {}
})
