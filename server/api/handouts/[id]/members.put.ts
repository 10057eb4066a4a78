import * as v from 'valibot'
import { MOST_PARTS } from '../../../../core/board/whatPlacesTake'
import { idParam, readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnHandout } from '../../../rights/roles'
import { services } from '../../../services'
import { placeMember, setPart } from '../../../usecases/members'

const Id = v.pipe(v.string(), v.uuid(), v.toLowerCase())
const Part = v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_PARTS)))
const Place = v.union([
  v.strictObject({ student: Id, part: Part }),
  v.strictObject({ student: Id, to: v.nullable(Id) }),
])

/** Puts a student on a frame, or on none; or says which part of theirs is their own. */
export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnHandout(all.db, await actorOf(event), id), 'slate.members')
  const asked = await readJson(event, Place)
  const placed =
    'part' in asked
      ? await setPart(all, id, asked.student, asked.part)
      : await placeMember(all, id, asked.student, asked.to)
  if (!placed.ok) throw refusal(placed.reason === 'not-found' ? 'not-found' : 'not-now', placed.reason)
  return {}
})
