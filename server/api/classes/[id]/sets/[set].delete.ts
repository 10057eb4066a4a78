import { answering } from '../../../../http/answering'
import { idParam } from '../../../../http/read'
import { dropSet } from '../../../../usecases/groups'

/** Frames that were made from the set stay as they are. */
export default answering('DELETE /api/classes/[id]/sets/[set]', async ({ event, all: { db }, id, refuse }) => {
  if (!(await dropSet(db, id, idParam(event, 'set')))) throw refuse('not-found')
  return {}
})
