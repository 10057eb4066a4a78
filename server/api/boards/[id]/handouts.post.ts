import * as v from 'valibot'
import { HandoutSettingsSchema, MOST_CLASSES, RecipientSchema } from '../../../../core/handout/settings'
import { once } from '../../../http/once'
import { idParam, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { requireRight, requireTeacher } from '../../../http/session'
import { roleOnBoard, roleOnClass } from '../../../rights/roles'
import { services } from '../../../services'
import { giveOutWithin } from '../../../usecases/giveOut'

const GiveOut = v.strictObject({
  ...HandoutSettingsSchema.entries,
  to: v.pipe(v.array(RecipientSchema), v.minLength(1), v.maxLength(MOST_CLASSES)),
})

export default defineEventHandler(async (event) => {
  const { db } = await services()
  const id = idParam(event)
  const actor = await requireTeacher(event)
  requireRight(await roleOnBoard(db, actor, id), 'board.give-out')
  const { to, ...settings } = await readJson(event, GiveOut)
  for (const { classId } of to) requireRight(await roleOnClass(db, actor, classId), 'class.change')
  // In one order, so that two who give out to the same classes don't wait for each other.
  const classes = to.toSorted((a, b) => a.classId.localeCompare(b.classId))
  if (new Set(classes.map(one => one.classId)).size < classes.length) throw refusal('bad-request', 'to: a class twice')
  return once(event, actor.id, async (trx) => {
    const handouts = []
    for (const one of classes) {
      const given = await giveOutWithin(trx, id, one, settings)
      if (!given.ok) throw refusal(given.reason, one.classId)
      handouts.push({ ...given.value, classId: one.classId })
    }
    return { handouts }
  })
})
