import { idParam } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { actorOf, requireRight } from '../../../../../http/session'
import { roleOnClass } from '../../../../../rights/roles'
import { services } from '../../../../../services'
import { newPictures } from '../../../../../usecases/classes'

export default defineEventHandler(async (event) => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnClass(all.db, await actorOf(event), id), 'class.change')
  if (!await newPictures(all, id, idParam(event, 'student'))) throw refusal('not-found')
  return { done: true }
})
