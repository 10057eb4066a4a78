import { answering } from '../../../../http/answering'
import { idParam } from '../../../../http/read'
import { changeQuestion } from '../../../../usecases/lesson/jar'

/** Hides a question, or says that it is answered. */
export default answering(
  'PUT /api/handouts/[id]/questions/[question]',
  async ({ event, all, actor, id, body: change, refuse }) => {
    const question = idParam(event, 'question')
    if (!(await changeQuestion(all, { handout: id, question, teacher: actor.id }, change))) throw refuse('not-found')
    return {}
  },
)
