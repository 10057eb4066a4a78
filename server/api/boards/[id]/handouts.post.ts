import * as v from 'valibot'
import { idParam, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnBoard, roleOnClass } from '../../../rights/rights'
import { services } from '../../../services'
import { giveOut } from '../../../usecases/giveOut'

const GiveOut = v.object({ classId: v.pipe(v.string(), v.uuid()) })

export default defineEventHandler(async (event) => {
  const { db } = await services()
  const id = idParam(event)
  const actor = await actorOf(event)
  requireRight(await roleOnBoard(db, actor, id), 'board.give-out')
  const { classId } = await readJson(event, GiveOut)
  requireRight(await roleOnClass(db, actor, classId), 'class.change')
  const given = await giveOut(db, id, classId)
  if (!given.ok) throw refusal(given.reason)
  return given.value
})
