import { answering } from '../../../http/answering'
import { sendAsFile } from '../../../http/download'
import { boardForPaper } from '../../../usecases/papers'

/** A page of the board as a picture. */
export default answering('GET /api/boards/[id]/picture', async ({ event, all, id, query: order, refuse }) => {
  const { board, pictures } = await boardForPaper(all.db, id)
  const picture = await all.labour.files.do('page-picture', { board, title: board.title, order, pictures })
  if (!picture.ok) throw refuse(picture.reason)
  const type = order.format === 'png' ? 'image/png' : 'image/svg+xml'
  sendAsFile(event, { title: board.title, ending: order.format, type })
  return Buffer.from(picture.value)
})
