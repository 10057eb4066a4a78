import { answering } from '../../../../http/answering'
import { parcelsOf } from '../../../../usecases/parcels'

/** The archives of a class that this teacher has asked for, and how far they are. */
export default answering('GET /api/classes/[id]/archive', async ({ all, actor, id }) => {
  return parcelsOf(all.db, actor.id, { kind: 'class', classId: id })
})
