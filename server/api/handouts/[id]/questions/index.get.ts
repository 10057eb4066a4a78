import { answering } from '../../../../http/answering'
import { jarOf, questionsOf } from '../../../../usecases/lesson/jar'

/** The question jar as who leads the class sees it: with the names, and with what is hidden. */
export default answering('GET /api/handouts/[id]/questions', async ({ all, id }) => {
  return { jar: await jarOf(all.db, id), questions: await questionsOf(all.db, id, { kind: 'staff' }) }
})
