import * as v from 'valibot'
import { HandoutSettingsSchema, MOST_CLASSES, RecipientSchema, WhenSchema } from '../../../../core/handout/settings'
import { once } from '../../../http/once'
import { idParam, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { requireRight, requireTeacher } from '../../../http/session'
import { roleOnBoard, roleOnClass } from '../../../rights/roles'
import { services } from '../../../services'
import { giveOutWithin } from '../../../usecases/giveOut'
import { planHandout } from '../../../usecases/later'

const GiveOut = v.strictObject({
  ...HandoutSettingsSchema.entries,
  when: v.optional(WhenSchema, { kind: 'now' }),
  to: v.pipe(v.array(RecipientSchema), v.minLength(1), v.maxLength(MOST_CLASSES)),
})

export default defineEventHandler(async (event) => {
  const { db, jobs } = await services()
  const id = idParam(event)
  const actor = await requireTeacher(event)
  requireRight(await roleOnBoard(db, actor, id), 'board.give-out')
  const { to, when, ...settings } = await readJson(event, GiveOut)
  for (const { classId } of to) requireRight(await roleOnClass(db, actor, classId), 'class.change')
  // In one order, so that two who give out to the same classes don't wait for each other.
  const classes = to.toSorted((a, b) => a.classId.localeCompare(b.classId))
  if (new Set(classes.map(one => one.classId)).size < classes.length) throw refusal('bad-request', 'to: a class twice')
  return once(event, actor.id, async (trx) => {
    const handouts = []
    for (const one of classes) {
      for (const time of when.kind === 'later' ? when.at : [null]) {
        const given = when.kind === 'now' ? await giveOutWithin(trx, id, one, settings) : await planHandout(trx, jobs, { board: id, to: one, settings, when: time })
        if (!given.ok) throw refusal(given.reason, one.classId)
        handouts.push({ slates: 0, ...given.value, classId: one.classId })
      }
    }
    return { handouts }
  })
})
