import { requireRightOnHandout } from '../../../http/onHandout'
import { refusal } from '../../../http/refuse'
import { ownPage } from '../../../usecases/beginning'

/** The student's own page on a class board, made when they first come. */
export default defineEventHandler(async event => {
  const { all, id, actor: student } = await requireRightOnHandout(event, 'handout.begin')
  const page = await ownPage(all, id, student.id)
  if (!page.ok) throw refusal(page.reason)
  return page.value
})
