import * as v from 'valibot'
import { idParam, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnHandout } from '../../../rights/roles'
import { services } from '../../../services'
import { placeMember } from '../../../usecases/members'

const Id = v.pipe(v.string(), v.uuid(), v.toLowerCase())
const Place = v.object({ student: Id, to: v.nullable(Id) })

/** Puts a student on a frame, or on none. */
export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnHandout(all.db, await actorOf(event), id), 'slate.members')
  const { student, to } = await readJson(event, Place)
  const placed = await placeMember(all, id, student, to)
  if (!placed.ok) throw refusal(placed.reason === 'not-found' ? 'not-found' : 'not-now', placed.reason)
  return {}
})
