import { setHeader } from 'h3'
import { answering } from '../../http/answering'
import { dueCalendar } from '../../usecases/walk'

/** The due days as an iCalendar file. */
export default answering('GET /api/handouts/due', async ({ event, all: { db }, actor: teacher }) => {
  setHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  setHeader(event, 'content-disposition', 'attachment; filename="due-days.ics"')
  return dueCalendar(db, teacher.id)
})
