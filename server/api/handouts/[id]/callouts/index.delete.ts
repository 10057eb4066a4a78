import { requireRightOnHandout } from '../../../../http/onHandout'
import { endCallOut } from '../../../../usecases/lesson/callOuts'

/** Nothing is called any more. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.call')
  await endCallOut(all, id)
  return {}
})
