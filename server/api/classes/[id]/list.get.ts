import { setResponseHeader } from 'h3'
import { writeCsv } from '../../../../core/format/csv'
import { requireRightOnClass } from '../../../http/onClass'
import { classWithStudents } from '../../../usecases/classReading'

/** The class list as CSV, with what reading it again understands. */
export default defineEventHandler(async event => {
  const { db, id } = await requireRightOnClass(event, 'class.change')
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
