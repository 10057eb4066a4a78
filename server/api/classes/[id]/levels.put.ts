import { answering } from '../../../http/answering'
import { orderLevels } from '../../../usecases/classes'

/** The levels of a class in their order, from the lowest: what mixed and like groups go by. */
export default answering('PUT /api/classes/[id]/levels', async ({ all: { db }, id, body: { levels }, refuse }) => {
  if (!(await orderLevels(db, id, levels))) throw refuse('changed-elsewhere')
  return {}
})
