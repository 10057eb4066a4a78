import * as v from 'valibot'
import { LONGEST_NUDGE } from '../../../../core/lesson/nudge'
import { storedText } from '../../../../core/text/storedText'
import { requireRightOnHandout, SomeSlates } from '../../../http/onHandout'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { nudge } from '../../../usecases/lesson/nudges'

const BodySchema = v.strictObject({
  words: v.pipe(storedText(LONGEST_NUDGE), v.trim(), v.minLength(1)),
  slates: v.optional(SomeSlates),
})

/** A word to those who are at work, to all or to some. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnHandout(event, 'margin.write')
  const done = await nudge(all, id, { teacher: actor.id, ...(await readJson(event, BodySchema)) })
  if (!done.ok) throw refusal(done.reason)
  return { count: done.value }
})
