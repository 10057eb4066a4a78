import { idParam } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnHandout } from '../../../rights/roles'
import { services } from '../../../services'
import { carryOut } from '../../../usecases/later'

/** A draft, or what would go out later, is given out now. */
export default defineEventHandler(async event => {
  const { db } = await services()
  const id = idParam(event)
  requireRight(await roleOnHandout(db, await actorOf(event), id), 'handout.correct')
  const given = await carryOut(db, id, true)
  if (given.ok) return given.value
  const { reason } = given
  throw refusal(reason === 'gone' ? 'not-found' : reason === 'given' || reason === 'waits' ? 'not-now' : reason)
})
