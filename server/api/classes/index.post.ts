import * as v from 'valibot'
import { storedText } from '../../../core/text/stored'
import { once } from '../../http/once'
import { readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { createClass } from '../../usecases/classes'

const NewClass = v.object({ name: v.pipe(storedText(60), v.trim(), v.minLength(1)) })

export default defineEventHandler(async (event) => {
  const teacher = await requireTeacher(event)
  const { name } = await readJson(event, NewClass)
  return once(event, teacher.id, async (trx) => {
    const created = await createClass(trx, teacher.id, name)
    if (!created.ok) throw refusal(created.reason)
    return created.value
  })
})
