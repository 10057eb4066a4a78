import { requireRightOnHandout } from '../../../../http/onHandout'
import { jarOf, questionsOf } from '../../../../usecases/lesson/jar'

/** The question jar as who leads the class sees it: with the names, and with what is hidden. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.jar')
  return { jar: await jarOf(all.db, id), questions: await questionsOf(all.db, id, { kind: 'staff' }) }
})
