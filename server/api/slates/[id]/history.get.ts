import { requireRightOnSlate } from '../../../http/onSlate'
import { historyOf } from '../../../usecases/history'

/** How a slate came about, move by move. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.see')
  return historyOf(all.db, all.engine.editions, id)
})
