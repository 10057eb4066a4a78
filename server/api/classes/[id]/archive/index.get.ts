import { requireRightOnClass } from '../../../../http/onClass'
import { parcelsOf } from '../../../../usecases/parcels'

/** The archives of a class that this teacher has asked for, and how far they are. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnClass(event, 'class.change')
  return parcelsOf(all.db, actor.id, { kind: 'class', classId: id })
})
