import { ownRecords } from '../../http/ownRecords'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'

/** The classes that the school's records say the teacher has. */
export default defineEventHandler(async event => {
  await requireTeacher(event)
  const { records, email } = await ownRecords(event)
  const classes = await records.classesOf(email)
  if (!classes.ok) throw refusal(classes.reason)
  return classes.value
})
