import * as v from 'valibot'
import { requireRightOnHandout } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { changeVersion } from '../../../usecases/editions'

const Change = v.object({
  slate: v.pipe(v.string(), v.uuid(), v.toLowerCase()),
  version: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(8))),
})

/** Another of the handout's versions for one student, at any time. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.correct')
  const { slate, version } = await readJson(event, Change)
  const changed = await changeVersion(all, id, slate, version)
  if (!changed.ok) throw refusal(changed.reason)
  return {}
})
