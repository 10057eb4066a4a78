import { requireRightOnClass } from '../../http/onClass'
import { may } from '../../../core/rights/rights'
import { classWithStudents } from '../../usecases/classReading'

export default defineEventHandler(async event => {
  const { db, id, role } = await requireRightOnClass(event, 'class.read')
  return { ...(await classWithStudents(db, id)), mayChange: may(role, 'class.change') }
})
