import { answering } from '../../../../http/answering'
import { helpWith } from '../../../../usecases/assistants'

export default answering('GET /api/classes/[id]/assistants', async ({ all: { db }, id }) => {
  return helpWith(db, id)
})
