import { AskedSchema } from '../../../../../core/lesson/jarSchema'
import { mayAsk } from '../../../../http/limits'
import { requireRightOnSlate } from '../../../../http/onSlate'
import { LARGEST } from '../../../../../core/contract/sizes'
import { readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { askQuestion } from '../../../../usecases/lesson/jar'

/** A question into the jar. */
export default defineEventHandler(async event => {
  const { all, actor, who } = await requireRightOnSlate(event, 'slate.question')
  const asked = await readJson(event, AskedSchema, LARGEST.anybody)
  if (!(await mayAsk(all.limits.talk, actor.id))) throw refusal('too-often')
  const done = await askQuestion(all, who.handout!, actor.id, asked)
  if (!done.ok) throw refusal(done.reason)
  return {}
})
