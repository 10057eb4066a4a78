import { requireRightOnHandout } from '../../../http/onHandout'
import { refusal } from '../../../http/refuse'
import { workOfOthers } from '../../../usecases/looking'

/** What others have made, for a student whose teacher lets them look. */
export default defineEventHandler(async event => {
  const { all, id, actor: student } = await requireRightOnHandout(event, 'handout.look')
  const work = await workOfOthers(all, id, student.id)
  if (!work.ok) throw refusal(work.reason === 'never' ? 'not-yours' : work.reason)
  return work.value
})
