import { answering } from '../../../http/answering'
import { takeList } from '../../../usecases/classes'

export default answering('POST /api/classes/[id]/list', async ({ all, id, body, refuse }) => {
  const taken = await takeList(all, id, body)
  if (!taken.ok && 'changed' in taken.reason) throw refuse('changed-elsewhere')
  if (!taken.ok)
    throw refuse('bad-names', JSON.stringify('rows' in taken.reason ? taken.reason.rows : taken.reason.plan.clashes))
  return taken.value
})
