import { requireRightOnHandout } from '../../../../http/onHandout'
import { parcelsOf } from '../../../../usecases/parcels'

/** The papers that this teacher has asked for, and how far they are. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnHandout(event, 'handout.review')
  return parcelsOf(all.db, actor.id, { kind: 'slates', handout: id })
})
