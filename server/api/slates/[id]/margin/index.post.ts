import * as v from 'valibot'
import { WrittenItemSchema } from '../../../../../core/margin/item'
import { idParam, readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { requireRight, requireTeacher } from '../../../../http/session'
import { roleOnSlate } from '../../../../rights/roles'
import { services } from '../../../../services'
import { addToMargin } from '../../../../usecases/review'

/** `shown`: those who work see it at once, not only when it is handed back. */
const BodySchema = v.strictObject({ item: WrittenItemSchema, shown: v.optional(v.boolean(), false) })

export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  const teacher = await requireTeacher(event)
  requireRight(await roleOnSlate(all.db, teacher, id), 'margin.write')
  const added = await addToMargin(all, id, teacher.id, await readJson(event, BodySchema))
  if (!added.ok) throw refusal('bad-request', 'This slate has no such page or piece.')
  return added.value
})
