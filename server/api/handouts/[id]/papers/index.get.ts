import { requireRightOnHandout } from '../../../../http/onHandout'
import { papersOf } from '../../../../usecases/handoutPapers'

/** The papers that this teacher has asked for, and how far they are. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnHandout(event, 'handout.review')
  return papersOf(all.db, id, actor.id)
})
