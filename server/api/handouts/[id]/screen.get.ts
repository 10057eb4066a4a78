import { requireRightOnHandout } from '../../../http/onHandout'
import { classScreen } from '../../../usecases/lesson/screen'

/** All that stands on the class screen. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.show')
  return classScreen(all, id)
})
