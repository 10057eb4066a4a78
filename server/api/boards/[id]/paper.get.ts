import { answering } from '../../../http/answering'
import { sendAsFile } from '../../../http/download'
import { boardForPaper } from '../../../usecases/papers'

/** The board on paper, as a PDF. */
export default answering('GET /api/boards/[id]/paper', async ({ event, all, id, query: order, refuse }) => {
  const { board, author, pictures } = await boardForPaper(all.db, id)
  const pdf = await all.labour.files.do('board-paper', { board, order, author, made: new Date(), pictures })
  if (!pdf.ok) throw refuse(pdf.reason)
  sendAsFile(event, { title: board.title, ending: 'pdf', type: 'application/pdf', shown: true })
  return Buffer.from(pdf.value)
})
