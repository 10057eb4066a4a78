import { answering } from '../../http/answering'
import { classesOf } from '../../usecases/classReading'

export default answering('GET /api/classes', async ({ all, actor: teacher }) => {
  return classesOf(all.db, teacher.id)
})
