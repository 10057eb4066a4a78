import * as v from 'valibot'
import { requireRightOnClass } from '../../../../http/onClass'
import { readJson } from '../../../../http/read'
import { setInvite } from '../../../../usecases/assistants'

/** Another teacher is asked in by a link, or no longer. */
export default defineEventHandler(async event => {
  const { db, id } = await requireRightOnClass(event, 'class.change')
  const { on } = await readJson(event, v.object({ on: v.boolean() }))
  return { invite: await setInvite(db, id, on) }
})
