import { answering } from '../../http/answering'
import { sendParcel } from '../../http/sendParcel'

/** A file with all that a teacher has that is ready. */
export default answering('GET /api/everything/[parcel]', async ({ event, all, actor: teacher }) => {
  return sendParcel(event, all.db, teacher.id, { kind: 'everything' })
})
