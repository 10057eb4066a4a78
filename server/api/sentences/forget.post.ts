import { answering } from '../../http/answering'
import { forgetSentence } from '../../usecases/sentences'

/** A sentence isn't offered any more. */
export default answering('POST /api/sentences/forget', async ({ all, actor: teacher, body: { words } }) => {
  await forgetSentence(all.db, teacher.id, words)
  return {}
})
