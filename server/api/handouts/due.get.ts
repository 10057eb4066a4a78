import { setHeader } from 'h3'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { dueCalendar } from '../../usecases/walk'

/** The due days as an iCalendar file. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const { db } = await services()
  setHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  setHeader(event, 'content-disposition', 'attachment; filename="due-days.ics"')
  return dueCalendar(db, teacher.id)
})
