import { requireRightOnHandout } from '../../../http/onHandout'
import { refusal } from '../../../http/refuse'
import { framesToTake } from '../../../usecases/beginning'

/** The frames that students take themselves, with who has taken them. */
export default defineEventHandler(async event => {
  const { all, id, actor: student } = await requireRightOnHandout(event, 'handout.begin')
  const frames = await framesToTake(all, id, student.id)
  if (!frames.ok) throw refusal(frames.reason)
  return frames.value
})
