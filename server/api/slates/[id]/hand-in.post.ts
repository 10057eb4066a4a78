import * as v from 'valibot'
import { storedText } from '../../../../core/text/storedText'
import { idParam, LARGEST, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnSlate } from '../../../rights/roles'
import { services } from '../../../services'
import { handIn } from '../../../usecases/openness'

const BodySchema = v.object({ word: v.optional(storedText(500)) })

export default defineEventHandler(async (event) => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnSlate(all.db, await actorOf(event), id), 'slate.hand-in')
  const { word } = await readJson(event, BodySchema, LARGEST.anybody)
  const done = await handIn(all, id, word)
  if (!done.ok) throw refusal('not-now', done.reason)
  return { status: done.value }
})
