import { requireRightOnHandout } from '../../../../http/onHandout'
import { sendParcel } from '../../../../http/sendParcel'

/** Slates on paper that are ready. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnHandout(event, 'handout.review')
  return sendParcel(event, all.db, actor.id, { kind: 'slates', handout: id })
})
