import { answering } from '../../../http/answering'
import { giveToMore } from '../../../usecases/giveOut'

/** Gives a handout to more students of its class. */
export default answering('POST /api/handouts/[id]/students', async ({ all, id, body: { students }, refuse }) => {
  const given = await giveToMore(all, id, students)
  if (!given.ok) throw refuse(given.reason)
  return given.value
})
