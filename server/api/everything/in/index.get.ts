import { answering } from '../../../http/answering'
import { parcelsThatCame } from '../../../usecases/parcelsThatCome'

/** What a teacher brought from another place, and how far each is unpacked. */
export default answering('GET /api/everything/in', async ({ all, actor: teacher }) => {
  return parcelsThatCame(all.db, teacher.id)
})
