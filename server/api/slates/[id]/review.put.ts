import { answering } from '../../../http/answering'
import { saveReview } from '../../../usecases/review'

export default answering('PUT /api/slates/[id]/review', async ({ all, actor: teacher, id, body, refuse }) => {
  const saved = await saveReview(all, id, teacher.id, body)
  if (!saved.ok)
    throw refuse(
      'bad-request',
      "More points than it counts for, levels that the rubric doesn't have, or a word to nobody.",
    )
  return { done: true }
})
