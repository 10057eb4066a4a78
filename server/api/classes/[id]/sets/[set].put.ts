import { answering } from '../../../../http/answering'
import { idParam } from '../../../../http/read'
import { keepSet } from '../../../../usecases/groups'

export default answering('PUT /api/classes/[id]/sets/[set]', async ({ event, all: { db }, id, body: set, refuse }) => {
  const kept = await db.transaction().execute(trx => keepSet(trx, id, set, idParam(event, 'set')))
  if (!kept.ok) throw refuse(kept.reason)
  return kept.value
})
