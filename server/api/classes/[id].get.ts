import { may } from '../../../core/rights/rights'
import { answering } from '../../http/answering'
import { classWithStudents } from '../../usecases/classReading'

export default answering('GET /api/classes/[id]', async ({ all: { db }, id, role }) => {
  return { ...(await classWithStudents(db, id)), mayChange: may(role, 'class.change') }
})
