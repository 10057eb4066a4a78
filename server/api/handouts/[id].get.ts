import * as v from 'valibot'
import { DaySchema } from '../../../core/roster/day'
import { idParam, queryAs } from '../../http/read'
import { actorOf, requireRight } from '../../http/session'
import { roleOnHandout } from '../../rights/roles'
import { services } from '../../services'
import { walkRound } from '../../usecases/walk'

/** The day it is where it is looked at. */
const QuerySchema = v.object({ day: v.optional(DaySchema) })

export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  const role = await roleOnHandout(all.db, await actorOf(event), id)
  requireRight(role, 'handout.walk')
  const { day = null } = queryAs(event, QuerySchema)
  return walkRound(all, id, { role, day })
})
