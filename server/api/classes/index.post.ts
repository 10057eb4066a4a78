import * as v from 'valibot'
import { isZone } from '../../../core/handout/due'
import { storedText } from '../../../core/text/storedText'
import { once } from '../../http/once'
import { readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { createClass } from '../../usecases/classes'

const NewClass = v.object({
  name: v.pipe(storedText(60), v.trim(), v.minLength(1)),
  zone: v.optional(v.pipe(storedText(60), v.check(isZone, 'There is no such time zone.'))),
})

export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const { name, zone } = await readJson(event, NewClass)
  return once(event, teacher.id, async trx => {
    const created = await createClass(trx, teacher.id, name, zone)
    if (!created.ok) throw refusal(created.reason)
    return created.value
  })
})
