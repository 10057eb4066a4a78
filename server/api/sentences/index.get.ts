import { answering } from '../../http/answering'
import { sentencesOf } from '../../usecases/sentences'

/** What this teacher has said before, first what was said about this. */
export default answering('GET /api/sentences', async ({ all, actor: teacher, query: { about } }) => {
  return sentencesOf(all.db, teacher.id, about ?? null)
})
