import { BoardOrderSchema } from '../../../../core/paper/boardOrder'
import { sendAsFile } from '../../../http/download'
import { idParam, queryAs } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnBoard } from '../../../rights/roles'
import { services } from '../../../services'
import { boardForPaper } from '../../../usecases/papers'

/** The board on paper, as a PDF. */
export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnBoard(all.db, await actorOf(event), id), 'board.read')
  const order = queryAs(event, BoardOrderSchema)
  const { board, author, pictures } = await boardForPaper(all.db, id)
  const pdf = await all.labour.files.do('board-paper', { board, order, author, made: new Date(), pictures })
  if (!pdf.ok) throw refusal(pdf.reason)
  sendAsFile(event, { title: board.title, ending: 'pdf', type: 'application/pdf', shown: true })
  return Buffer.from(pdf.value)
})
