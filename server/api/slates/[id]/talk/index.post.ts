import { answering } from '../../../../http/answering'
import { mayAsk } from '../../../../http/limits'
import { speak } from '../../../../usecases/talk'

/** A word to the others on a slate, or an answer to a note in its margin. */
export default answering('POST /api/slates/[id]/talk', async ({ all, actor, id, who, body: said, refuse }) => {
  if (!(await mayAsk(all.limits.talk, actor.id))) throw refuse('too-often')
  const spoken = await speak(
    all,
    { slate: id, kind: who.kind!, by: who.hold!.actor.author, staff: actor.kind === 'teacher' },
    said,
  )
  if (!spoken.ok) throw refuse(spoken.reason)
  return {}
})
