import { answering } from '../../../http/answering'
import { framesToTake } from '../../../usecases/beginning'

/** The frames that students take themselves, with who has taken them. */
export default answering('GET /api/handouts/[id]/frames', async ({ all, actor: student, id, refuse }) => {
  const frames = await framesToTake(all, id, student.id)
  if (!frames.ok) throw refuse(frames.reason)
  return frames.value
})
