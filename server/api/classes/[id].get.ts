import { requireRightOnClass } from '../../http/onClass'
import { classWithStudents } from '../../usecases/classes'

export default defineEventHandler(async (event) => {
  const { db, id } = await requireRightOnClass(event, 'class.read')
  return classWithStudents(db, id)
})
