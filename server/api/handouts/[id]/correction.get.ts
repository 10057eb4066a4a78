import { idParam } from '../../../http/read'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnHandout } from '../../../rights/roles'
import { services } from '../../../services'
import { previewHandout } from '../../../usecases/editions'

/** What laying the board as it is now under the slates would change. */
export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnHandout(all.db, await actorOf(event), id), 'handout.correct')
  return previewHandout(all, id)
})
