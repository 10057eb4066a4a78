import { answering } from '../../../http/answering'
import { newCode } from '../../../usecases/classes'

/** Another class code, for one that has got about. */
export default answering('POST /api/classes/[id]/code', async ({ all: { db }, id }) => {
  return { code: await newCode(db, id) }
})
