import * as v from 'valibot'
import { ownRecords } from '../../http/ownRecords'
import { queryAs } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'

/** The students of one of these classes, as a list to look at: nothing is taken over yet. */
export default defineEventHandler(async event => {
  await requireTeacher(event)
  const { record } = queryAs(event, v.object({ record: v.pipe(v.string(), v.minLength(1), v.maxLength(80)) }))
  const { records, email } = await ownRecords(event)
  const students = await records.studentsOf(email, record)
  if (!students.ok) throw refusal(students.reason)
  return students.value
})
