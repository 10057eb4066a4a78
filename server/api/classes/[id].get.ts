import { idParam } from '../../http/read'
import { actorOf, requireRight } from '../../http/session'
import { roleOnClass } from '../../rights/roles'
import { services } from '../../services'
import { classWithStudents } from '../../usecases/classes'

export default defineEventHandler(async (event) => {
  const { db } = await services()
  const id = idParam(event)
  requireRight(await roleOnClass(db, await actorOf(event), id), 'class.read')
  return classWithStudents(db, id)
})
