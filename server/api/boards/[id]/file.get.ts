import { writeBoardFile } from '../../../../core/format/boardFile'
import { sendAsFile } from '../../../http/download'
import { idParam } from '../../../http/read'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnBoard } from '../../../rights/roles'
import { services } from '../../../services'
import { exportBoard } from '../../../usecases/boards'

/** The board as one open file, with its answers and its pictures: for a colleague, or to keep. */
export default defineEventHandler(async event => {
  const { db } = await services()
  const id = idParam(event)
  requireRight(await roleOnBoard(db, await actorOf(event), id), 'board.read')
  const file = await exportBoard(db, id)
  sendAsFile(event, { title: file.board.title, ending: 'board.json', type: 'application/json' })
  return writeBoardFile(file)
})
