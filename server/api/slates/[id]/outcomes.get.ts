import { requireRightOnSlate } from '../../../http/onSlate'
import { refusal } from '../../../http/refuse'
import { outcomesForReview } from '../../../usecases/outcomes'

/** What the keys say of a slate as it is now, and what they said when it was reviewed. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.outcomes')
  const outcomes = await outcomesForReview(all, id)
  if (!outcomes.ok) throw refusal(outcomes.reason)
  return outcomes.value
})
