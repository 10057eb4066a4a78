import { answering } from '../../../../http/answering'
import { jarOf, questionsOf } from '../../../../usecases/lesson/jar'

/** The question jar as a student sees it. */
export default answering('GET /api/slates/[id]/questions', async ({ all, actor, who }) => {
  const handout = who.handout!
  return {
    jar: await jarOf(all.db, handout),
    questions: await questionsOf(all.db, handout, { kind: 'student', id: actor.id }),
  }
})
