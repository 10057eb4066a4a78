import { answering } from '../../../http/answering'
import { groupsOfClass } from '../../../usecases/groups'

export default answering('GET /api/classes/[id]/groups', async ({ all: { db }, id, query }) => {
  return groupsOfClass(db, id, query.day)
})
