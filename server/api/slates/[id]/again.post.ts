import { requireRightOnSlate } from '../../../http/onSlate'
import { refusal } from '../../../http/refuse'
import { beginAgain } from '../../../usecases/tries'

/** A student begins another try. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.hand-in')
  const begun = await beginAgain(all, id, false)
  if (!begun.ok) throw refusal(begun.reason)
  return { status: begun.value }
})
