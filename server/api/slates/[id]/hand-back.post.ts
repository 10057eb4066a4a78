import * as v from 'valibot'
import { requireRightOnSlate } from '../../../http/onSlate'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { handBack } from '../../../usecases/openness'
import { beginAgain } from '../../../usecases/tries'

/** To be read; with `again` to be gone on with, in another try. */
const BodySchema = v.object({ again: v.optional(v.boolean(), false) })

export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.hand-back')
  const { again } = await readJson(event, BodySchema)
  const done = await handBack(all, id)
  // What was handed back before can still be asked for again.
  if (!done.ok && !(again && done.reason === 'handed-back')) throw refusal('not-now', done.reason)
  if (!again) return { status: 'handed-back' as const }
  const begun = await beginAgain(all, id, true)
  if (!begun.ok) throw refusal(begun.reason)
  return { status: begun.value }
})
