import { PictureOrderSchema } from '../../../../core/paper/pictureOrder'
import { sendAsFile } from '../../../http/download'
import { idParam, queryAs } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnBoard } from '../../../rights/roles'
import { services } from '../../../services'
import { boardForPaper } from '../../../usecases/papers'

/** A page of the board as a picture. */
export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnBoard(all.db, await actorOf(event), id), 'board.read')
  const order = queryAs(event, PictureOrderSchema)
  const { board, pictures } = await boardForPaper(all.db, id)
  const picture = await all.labour.files.do('page-picture', { board, title: board.title, order, pictures })
  if (!picture.ok) throw refusal(picture.reason)
  const type = order.format === 'png' ? 'image/png' : 'image/svg+xml'
  sendAsFile(event, { title: board.title, ending: order.format, type })
  return Buffer.from(picture.value)
})
