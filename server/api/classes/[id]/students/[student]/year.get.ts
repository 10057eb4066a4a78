import { requireRightOnClass } from '../../../../../http/onClass'
import { idParam } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { studentYear } from '../../../../../usecases/year'

/** One student over all that the class was given. */
export default defineEventHandler(async event => {
  const { all, id: classId } = await requireRightOnClass(event, 'class.read')
  const year = await studentYear(all, { classId, student: idParam(event, 'student') })
  if (!year) throw refusal('not-found')
  return year
})
