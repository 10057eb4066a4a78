import * as v from 'valibot'
import { readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { createClass } from '../../usecases/classes'

const NewClass = v.object({ name: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60)) })

export default defineEventHandler(async (event) => {
  const teacher = await requireTeacher(event)
  const { name } = await readJson(event, NewClass)
  const created = await createClass((await services()).db, teacher.id, name)
  if (!created.ok) throw refusal(created.reason)
  return created.value
})
