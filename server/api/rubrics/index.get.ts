import { answering } from '../../http/answering'
import { rubricsOf } from '../../usecases/rubrics'

export default answering('GET /api/rubrics', async ({ all, actor: teacher }) => {
  return rubricsOf(all.db, teacher.id)
})
