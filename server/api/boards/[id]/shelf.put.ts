import * as v from 'valibot'
import { idParam, readJson } from '../../../http/read'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnBoard } from '../../../rights/roles'
import { services } from '../../../services'
import { setOnShelf } from '../../../usecases/boards'

const OnShelf = v.object({ archived: v.optional(v.boolean()), organizer: v.optional(v.boolean()) })

export default defineEventHandler(async event => {
  const { db } = await services()
  const id = idParam(event)
  requireRight(await roleOnBoard(db, await actorOf(event), id), 'board.change')
  await setOnShelf(db, id, await readJson(event, OnShelf))
  return {}
})
