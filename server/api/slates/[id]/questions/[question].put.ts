import { VoteSchema } from '../../../../../core/lesson/jarSchema'
import { mayAsk } from '../../../../http/limits'
import { requireRightOnSlate } from '../../../../http/onSlate'
import { LARGEST } from '../../../../../core/contract/sizes'
import { idParam, readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { vote } from '../../../../usecases/lesson/jar'

/** A vote for a question or against it: one each. */
export default defineEventHandler(async event => {
  const { all, actor, who } = await requireRightOnSlate(event, 'slate.question')
  const question = idParam(event, 'question')
  const body = await readJson(event, VoteSchema, LARGEST.anybody)
  if (!(await mayAsk(all.limits.votes, actor.id))) throw refusal('too-often')
  const done = await vote(all, { handout: who.handout!, question, student: actor.id }, body.vote)
  if (!done.ok) throw refusal(done.reason)
  return {}
})
