import { QuestionChangeSchema } from '../../../../../core/lesson/jarSchema'
import { requireRightOnHandout } from '../../../../http/onHandout'
import { idParam, readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { changeQuestion } from '../../../../usecases/lesson/jar'

/** Hides a question, or says that it is answered. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnHandout(event, 'handout.jar')
  const change = await readJson(event, QuestionChangeSchema)
  const question = idParam(event, 'question')
  if (!(await changeQuestion(all, { handout: id, question, teacher: actor.id }, change))) throw refusal('not-found')
  return {}
})
