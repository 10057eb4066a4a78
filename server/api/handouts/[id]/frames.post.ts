import * as v from 'valibot'
import { MOST_IN_FRAME } from '../../../../core/handout/settings'
import { requireRightOnHandout } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { claimFrame, joinFrame } from '../../../usecases/beginning'

const Id = v.pipe(v.string(), v.uuid(), v.toLowerCase())
const Take = v.variant('what', [
  v.strictObject({
    what: v.literal('take'),
    wanted: v.nullable(Id),
    mates: v.pipe(v.array(Id), v.maxLength(MOST_IN_FRAME)),
  }),
  v.strictObject({ what: v.literal('join'), frame: Id }),
])

/** A student takes a free frame, with those who work on it with them, or goes to one that has room. */
export default defineEventHandler(async event => {
  const { all, id, actor: student } = await requireRightOnHandout(event, 'handout.begin')
  const asked = await readJson(event, Take)
  const taken =
    asked.what === 'take'
      ? await claimFrame(all, id, { student: student.id, ...asked })
      : await joinFrame(all, id, student.id, asked.frame)
  if (!taken.ok) throw refusal(taken.reason)
  return taken.value
})
