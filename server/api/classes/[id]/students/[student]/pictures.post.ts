import { idParam } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { actorOf, requireRight } from '../../../../../http/session'
import { roleOnClass } from '../../../../../rights/rights'
import { services } from '../../../../../services'
import { newPictures } from '../../../../../usecases/classes'

export default defineEventHandler(async (event) => {
  const { db } = await services()
  const id = idParam(event)
  requireRight(await roleOnClass(db, await actorOf(event), id), 'class.change')
  if (!await newPictures(db, id, idParam(event, 'student'))) throw refusal('not-found')
  return { done: true }
})
