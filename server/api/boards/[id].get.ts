import { idParam } from '../../http/read'
import { actorOf, requireRight } from '../../http/session'
import { roleOnBoard } from '../../rights/roles'
import { services } from '../../services'
import { boardById } from '../../usecases/boards'

export default defineEventHandler(async event => {
  const { db } = await services()
  const id = idParam(event)
  requireRight(await roleOnBoard(db, await actorOf(event), id), 'board.read')
  return boardById(db, id)
})
