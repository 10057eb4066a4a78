import { answering } from '../../../http/answering'
import { ownPage } from '../../../usecases/beginning'

/** The student's own page on a class board, made when they first come. */
export default answering('POST /api/handouts/[id]/page', async ({ all, actor: student, id, refuse }) => {
  const page = await ownPage(all, id, student.id)
  if (!page.ok) throw refuse(page.reason)
  return page.value
})
