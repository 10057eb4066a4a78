import * as v from 'valibot'
import { MOST_PAGES } from '../../../../../core/board/sizes'
import { CallSchema } from '../../../../../core/lesson/callOut'
import { requireRightOnHandout } from '../../../../http/onHandout'
import { readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { callOut } from '../../../../usecases/lesson/callOuts'

const BodySchema = v.strictObject({
  target: CallSchema,
  page: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(MOST_PAGES - 1)),
})

/** Calls a target: the pieces go back, and everybody builds. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnHandout(event, 'handout.call')
  const called = await callOut(all, { handout: id, who: actor, ...(await readJson(event, BodySchema)) })
  if (!called.ok) throw refusal(called.reason)
  return called.value
})
