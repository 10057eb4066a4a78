import { answering } from '../../../../http/answering'
import { parcelsOf } from '../../../../usecases/parcels'

/** The papers that this teacher has asked for, and how far they are. */
export default answering('GET /api/handouts/[id]/papers', async ({ all, actor, id }) => {
  return parcelsOf(all.db, actor.id, { kind: 'slates', handout: id })
})
