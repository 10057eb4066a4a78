import { answering } from '../../../http/answering'
import { shareOutLoose } from '../../../usecases/shareOut'

/** Whoever is on no frame is shared out over those that are there. */
export default answering('POST /api/handouts/[id]/members', async ({ all, id, body }) => {
  return { count: await shareOutLoose(all, id, body) }
})
