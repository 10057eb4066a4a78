import { answering } from '../../http/answering'
import { keepRubric } from '../../usecases/rubrics'

/** Keeps a rubric by its name. */
export default answering('PUT /api/rubrics', async ({ all, actor: teacher, body, refuse }) => {
  const kept = await keepRubric(all.db, teacher.id, body)
  if (!kept.ok) throw refuse(kept.reason)
  return kept.value
})
