import { answering } from '../../../http/answering'
import { verdictsOn } from '../../../usecases/outcomes'

/** What the keys say of slates of a handout as they are now: of all of them, or of some. Nothing is changed. */
export default answering('POST /api/handouts/[id]/outcomes', async ({ all, id, body: { slates } }) => {
  return verdictsOn(all, id, slates)
})
