import { answering } from '../../../../http/answering'
import { mayAsk } from '../../../../http/limits'
import { askQuestion } from '../../../../usecases/lesson/jar'

/** A question into the jar. */
export default answering('POST /api/slates/[id]/questions', async ({ all, actor, who, body: asked, refuse }) => {
  if (!(await mayAsk(all.limits.talk, actor.id))) throw refuse('too-often')
  const done = await askQuestion(all, who.handout!, actor.id, asked)
  if (!done.ok) throw refuse(done.reason)
  return {}
})
