import * as v from 'valibot'
import { requireRightOnSlate } from '../../../http/onSlate'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { handBackOne } from '../../../usecases/handBack'

/** To be read; with `again` to be gone on with, in another try. */
const BodySchema = v.object({ again: v.optional(v.boolean(), false) })

export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.hand-back')
  const { again } = await readJson(event, BodySchema)
  const done = await handBackOne(all, id, again)
  if (!done.ok) throw done.reason === 'unreadable' ? refusal('unreadable') : refusal('not-now', done.reason)
  return { status: done.value.status }
})
