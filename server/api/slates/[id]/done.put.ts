import * as v from 'valibot'
import { requireRightOnSlate } from '../../../http/onSlate'
import { LARGEST } from '../../../../core/contract/sizes'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { sayDone } from '../../../usecases/together'

/** A member of a frame, or one of a class on its board, is done, or not yet after all. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnSlate(event, 'slate.hand-in')
  const { done } = await readJson(event, v.object({ done: v.boolean() }), LARGEST.anybody)
  const said = await sayDone(all, id, actor.id, done)
  if (!said.ok) throw refusal(said.reason)
  return {}
})
