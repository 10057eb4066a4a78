import * as v from 'valibot'
import { once } from '../../../http/once'
import { idParam, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { requireRight, requireTeacher } from '../../../http/session'
import { roleOnBoard, roleOnClass } from '../../../rights/roles'
import { services } from '../../../services'
import { giveOutWithin } from '../../../usecases/giveOut'

const GiveOut = v.object({ classId: v.pipe(v.string(), v.uuid(), v.toLowerCase()) })

export default defineEventHandler(async (event) => {
  const { db } = await services()
  const id = idParam(event)
  const actor = await requireTeacher(event)
  requireRight(await roleOnBoard(db, actor, id), 'board.give-out')
  const { classId } = await readJson(event, GiveOut)
  requireRight(await roleOnClass(db, actor, classId), 'class.change')
  return once(event, actor.id, async (trx) => {
    const given = await giveOutWithin(trx, id, classId)
    if (!given.ok) throw refusal(given.reason)
    return given.value
  })
})
