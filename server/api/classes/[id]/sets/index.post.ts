import { answering } from '../../../../http/answering'
import { once } from '../../../../http/once'
import { keepSet } from '../../../../usecases/groups'

/** A new named set of groups. */
export default answering('POST /api/classes/[id]/sets', async ({ event, actor, id, body: set, refuse }) => {
  return once(event, actor.id, async trx => {
    const kept = await keepSet(trx, id, set)
    if (!kept.ok) throw refuse(kept.reason)
    return kept.value
  })
})
