import * as v from 'valibot'
import { requireRightOnSlate } from '../../../http/onSlate'
import { LARGEST } from '../../../../core/contract/sizes'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { raiseHand } from '../../../usecases/together'

/** Whoever works on a slate asks for help, or no longer. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.ask-for-help')
  const { up } = await readJson(event, v.object({ up: v.boolean() }), LARGEST.anybody)
  const raised = await raiseHand(all, id, up)
  if (!raised.ok) throw refusal(raised.reason)
  return {}
})
