import * as v from 'valibot'
import { requireRightOnHandout } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { extendTimer } from '../../../usecases/lesson/timer'

const LONGEST_MORE = 60 * 60
const BodySchema = v.strictObject({ seconds: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(LONGEST_MORE)) })

/** So much more time. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.pause')
  const { seconds } = await readJson(event, BodySchema)
  if (!(await extendTimer(all, id, seconds))) throw refusal('not-now')
  return {}
})
