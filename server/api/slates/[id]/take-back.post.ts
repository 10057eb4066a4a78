import { requireRightOnSlate } from '../../../http/onSlate'
import { refusal } from '../../../http/refuse'
import { takeBackHandedIn } from '../../../usecases/tries'

/** A student takes back what was handed in and isn't looked at yet. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.hand-in')
  const taken = await takeBackHandedIn(all, id)
  if (!taken.ok) throw refusal(taken.reason)
  return { status: taken.value }
})
