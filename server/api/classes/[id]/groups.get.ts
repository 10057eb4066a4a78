import * as v from 'valibot'
import { DaySchema } from '../../../../core/roster/day'
import { requireRightOnClass } from '../../../http/onClass'
import { queryAs } from '../../../http/read'
import { groupsOfClass } from '../../../usecases/groups'

export default defineEventHandler(async event => {
  const { db, id } = await requireRightOnClass(event, 'class.read')
  return groupsOfClass(db, id, queryAs(event, v.object({ day: DaySchema })).day)
})
