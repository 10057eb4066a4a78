import * as v from 'valibot'
import { ListedStudentSchema, MOST_STUDENTS } from '../../../../core/roster/classList'
import { MISSING } from '../../../../core/roster/listPlan'
import { idParam, LARGEST, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnClass } from '../../../rights/roles'
import { services } from '../../../services'
import { takeList } from '../../../usecases/classes'

const List = v.object({
  students: v.pipe(v.array(ListedStudentSchema), v.minLength(1), v.maxLength(MOST_STUDENTS)),
  missing: v.picklist(MISSING),
  agreed: v.optional(v.pipe(v.array(v.pipe(v.number(), v.integer())), v.length(4))),
})

export default defineEventHandler(async (event) => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnClass(all.db, await actorOf(event), id), 'class.change')
  const taken = await takeList(all, id, await readJson(event, List, LARGEST.list))
  if (!taken.ok && 'changed' in taken.reason) throw refusal('changed-elsewhere')
  if (!taken.ok) throw refusal('bad-names', JSON.stringify('rows' in taken.reason ? taken.reason.rows : taken.reason.plan.clashes))
  return taken.value
})
