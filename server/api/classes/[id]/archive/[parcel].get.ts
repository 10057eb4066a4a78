import { answering } from '../../../../http/answering'
import { sendParcel } from '../../../../http/sendParcel'

/** An archive of a class that is ready. */
export default answering('GET /api/classes/[id]/archive/[parcel]', async ({ event, all, actor, id }) => {
  return sendParcel(event, all.db, actor.id, { kind: 'class', classId: id })
})
