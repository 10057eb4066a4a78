import * as v from 'valibot'
import { idParam, readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { requireRight, requireTeacher } from '../../../../http/session'
import { roleOnSlate } from '../../../../rights/roles'
import { services } from '../../../../services'
import { setMarginRemoved } from '../../../../usecases/review'

const Change = v.object({ removed: v.boolean() })

export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnSlate(all.db, await requireTeacher(event), id), 'margin.write')
  const { removed } = await readJson(event, Change)
  if (!(await setMarginRemoved(all, id, idParam(event, 'item'), removed))) throw refusal('not-found')
  return { done: true }
})
