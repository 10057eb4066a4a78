import * as v from 'valibot'
import { ListedStudentSchema, MOST_STUDENTS } from '../../../../core/roster/classList'
import { MISSING } from '../../../../core/roster/listPlan'
import { storedText } from '../../../../core/text/storedText'
import { requireRightOnClass } from '../../../http/onClass'
import { LARGEST } from '../../../../core/contract/sizes'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { takeList } from '../../../usecases/classes'

const List = v.object({
  students: v.pipe(v.array(ListedStudentSchema), v.minLength(1), v.maxLength(MOST_STUDENTS)),
  missing: v.picklist(MISSING),
  record: v.optional(v.pipe(storedText(80), v.minLength(1))),
  agreed: v.optional(v.pipe(v.array(v.pipe(v.number(), v.integer())), v.length(4))),
})

export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  const taken = await takeList(all, id, await readJson(event, List, LARGEST.list))
  if (!taken.ok && 'changed' in taken.reason) throw refusal('changed-elsewhere')
  if (!taken.ok)
    throw refusal('bad-names', JSON.stringify('rows' in taken.reason ? taken.reason.rows : taken.reason.plan.clashes))
  return taken.value
})
