import { requireRightOnSlate } from '../../../../http/onSlate'
import { jarOf, questionsOf } from '../../../../usecases/lesson/jar'

/** The question jar as a student sees it. */
export default defineEventHandler(async event => {
  const { all, actor, who } = await requireRightOnSlate(event, 'slate.question')
  const handout = who.handout!
  return {
    jar: await jarOf(all.db, handout),
    questions: await questionsOf(all.db, handout, { kind: 'student', id: actor.id }),
  }
})
