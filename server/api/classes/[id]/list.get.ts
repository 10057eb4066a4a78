import { setResponseHeader } from 'h3'
import { writeCsv } from '../../../../core/format/csv'
import { answering } from '../../../http/answering'
import { classWithStudents } from '../../../usecases/classReading'

/** The class list as CSV, with what reading it again understands. */
export default answering('GET /api/classes/[id]/list', async ({ event, all: { db }, id }) => {
  const { students } = await classWithStudents(db, id)
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'content-disposition', 'attachment; filename="class-list.csv"')
  return writeCsv([
    ['Name', 'Goes by', 'Level', 'ID'],
    ...students
      .filter(student => !student.left)
      .map(({ name, preferred, level, record }) => [name, preferred ?? '', level ?? '', record ?? '']),
  ])
})
