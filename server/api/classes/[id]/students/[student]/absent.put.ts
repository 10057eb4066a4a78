import * as v from 'valibot'
import { DaySchema } from '../../../../../../core/roster/day'
import { requireRightOnClass } from '../../../../../http/onClass'
import { idParam, readJson } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { setAbsent } from '../../../../../usecases/groups'

/** Away on a day, or there after all. */
export default defineEventHandler(async event => {
  const { db, id } = await requireRightOnClass(event, 'class.change')
  const { day, absent } = await readJson(event, v.object({ day: DaySchema, absent: v.boolean() }))
  if (!(await setAbsent(db, id, { student: idParam(event, 'student'), day, absent }))) throw refusal('not-found')
  return {}
})
