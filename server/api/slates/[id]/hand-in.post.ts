import { answering } from '../../../http/answering'
import { handIn } from '../../../usecases/openness'

export default answering('POST /api/slates/[id]/hand-in', async ({ all, actor, id, body: { word }, refuse }) => {
  const done = await handIn(all, id, actor.id, word)
  if (!done.ok) throw done.reason === 'not-all-done' ? refuse('not-all-done') : refuse('not-now', done.reason)
  // Whoever reviews it finds it marked.
  void all.outcomes.ahead(id)
  return { status: done.value }
})
