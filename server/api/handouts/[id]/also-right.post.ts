import { answering } from '../../../http/answering'
import { alsoRight } from '../../../usecases/answers'

/** What was done about an item on one slate is right as well, for the whole handout. */
export default answering('POST /api/handouts/[id]/also-right', async ({ all, id, body, refuse }) => {
  const done = await alsoRight(all, id, body)
  if (!done.ok) throw refuse(done.reason)
  return done.value
})
