import * as v from 'valibot'
import { TimerSchema } from '../../../../core/lesson/timerSchema'
import { requireRightOnHandout } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { setTimer } from '../../../usecases/lesson/timer'

const BodySchema = v.strictObject({ timer: v.nullable(TimerSchema) })

/** Sets the timer, or takes it away. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.pause')
  const { timer } = await readJson(event, BodySchema)
  await setTimer(all, id, timer)
  return {}
})
