import { answering } from '../../http/answering'
import { parcelsOf } from '../../usecases/parcels'

/** The files with all that a teacher has that they have asked for, and how far they are. */
export default answering('GET /api/everything', async ({ all, actor: teacher }) => {
  return parcelsOf(all.db, teacher.id, { kind: 'everything' })
})
