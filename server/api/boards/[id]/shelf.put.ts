import { answering } from '../../../http/answering'
import { setOnShelf } from '../../../usecases/boards'

export default answering('PUT /api/boards/[id]/shelf', async ({ all: { db }, id, body }) => {
  await setOnShelf(db, id, body)
  return {}
})
