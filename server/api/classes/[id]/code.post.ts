import { requireRightOnClass } from '../../../http/onClass'
import { newCode } from '../../../usecases/classes'

/** Another class code, for one that has got about. */
export default defineEventHandler(async event => {
  const { db, id } = await requireRightOnClass(event, 'class.change')
  return { code: await newCode(db, id) }
})
