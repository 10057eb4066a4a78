import * as v from 'valibot'
import { dueOfSeries } from '../../../../core/handout/due'
import { HandoutSettingsSchema, MOST_CLASSES, RecipientSchema, WhenSchema } from '../../../../core/handout/settings'
import { once } from '../../../http/once'
import { idParam, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { requireRight, requireTeacher } from '../../../http/session'
import { roleOnBoard, roleOnClass } from '../../../rights/roles'
import { services } from '../../../services'
import { giveOutWithin } from '../../../usecases/giveOut'
import { planHandout } from '../../../usecases/later'
import { newcomersClass } from '../../../usecases/newcomers'

const CLASS_NAME_LONGEST = 60

const GiveOut = v.strictObject({
  ...HandoutSettingsSchema.entries,
  when: v.optional(WhenSchema, { kind: 'now' }),
  to: v.optional(v.pipe(v.array(RecipientSchema), v.maxLength(MOST_CLASSES)), []),
  /** To whoever comes by a code of its own, beside these classes or instead of them; only now. */
  newcomers: v.optional(v.boolean(), false),
})

export default defineEventHandler(async event => {
  const { db, jobs } = await services()
  const id = idParam(event)
  const actor = await requireTeacher(event)
  requireRight(await roleOnBoard(db, actor, id), 'board.give-out')
  const { to, when, newcomers, ...settings } = await readJson(event, GiveOut)
  if (to.length === 0 && !newcomers) throw refusal('bad-request', 'to: nobody')
  if (settings.mode !== 'copy-each' && to.some(one => one.versions?.length))
    throw refusal('bad-request', 'versions: only of a copy each')
  if (newcomers && (when.kind !== 'now' || (settings.mode === 'frame-per-group' && !settings.free)))
    throw refusal('bad-request', 'newcomers: only now, and without groups of a class')
  for (const { classId } of to) requireRight(await roleOnClass(db, actor, classId), 'class.change')
  // In one order, so that two who give out to the same classes don't wait for each other.
  const classes = to.toSorted((a, b) => a.classId.localeCompare(b.classId))
  if (new Set(classes.map(one => one.classId)).size < classes.length) throw refusal('bad-request', 'to: a class twice')
  return once(event, actor.id, async trx => {
    const handouts = []
    if (newcomers) {
      const { title } = await trx.selectFrom('boards').select('title').where('id', '=', id).executeTakeFirstOrThrow()
      const classId = await newcomersClass(trx, actor.id, [...title].slice(0, CLASS_NAME_LONGEST).join(''))
      if (classId === null) throw refusal('trouble')
      const given = await giveOutWithin(trx, id, { classId }, settings)
      if (!given.ok) throw refusal(given.reason)
      const { code } = await trx
        .selectFrom('classes')
        .select('code')
        .where('id', '=', classId)
        .executeTakeFirstOrThrow()
      handouts.push({ ...given.value, classId, code })
    }
    for (const one of classes) {
      for (const time of when.kind === 'later' ? when.at : [null]) {
        const given =
          when.kind === 'now'
            ? await giveOutWithin(trx, id, one, settings)
            : await planHandout(trx, jobs, {
                board: id,
                to: one,
                settings:
                  time && settings.due && when.kind === 'later'
                    ? { ...settings, due: dueOfSeries(settings.due, when.at[0]!, time) }
                    : settings,
                when: time,
              })
        if (!given.ok) throw refusal(given.reason, one.classId)
        handouts.push({ slates: 0, ...given.value, classId: one.classId })
      }
    }
    return { handouts }
  })
})
