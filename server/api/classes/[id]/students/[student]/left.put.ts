import * as v from 'valibot'
import { idParam, readJson } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { actorOf, requireRight } from '../../../../../http/session'
import { roleOnClass } from '../../../../../rights/roles'
import { services } from '../../../../../services'
import { setLeft } from '../../../../../usecases/classes'

/** A student leaves the class with their work kept, or comes back to it. */
export default defineEventHandler(async (event) => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnClass(all.db, await actorOf(event), id), 'class.change')
  const { left } = await readJson(event, v.object({ left: v.boolean() }))
  if (!await setLeft(all, id, idParam(event, 'student'), left)) throw refusal('not-found')
  return {}
})
