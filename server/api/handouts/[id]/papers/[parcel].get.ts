import { answering } from '../../../../http/answering'
import { sendParcel } from '../../../../http/sendParcel'

/** Slates on paper that are ready. */
export default answering('GET /api/handouts/[id]/papers/[parcel]', async ({ event, all, actor, id }) => {
  return sendParcel(event, all.db, actor.id, { kind: 'slates', handout: id })
})
