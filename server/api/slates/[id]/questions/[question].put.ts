import { answering } from '../../../../http/answering'
import { mayAsk } from '../../../../http/limits'
import { idParam } from '../../../../http/read'
import { vote } from '../../../../usecases/lesson/jar'

/** A vote for a question or against it: one each. */
export default answering(
  'PUT /api/slates/[id]/questions/[question]',
  async ({ event, all, actor, who, body, refuse }) => {
    const question = idParam(event, 'question')
    if (!(await mayAsk(all.limits.votes, actor.id))) throw refuse('too-often')
    const done = await vote(all, { handout: who.handout!, question, student: actor.id }, body.vote)
    if (!done.ok) throw refuse(done.reason)
    return {}
  },
)
