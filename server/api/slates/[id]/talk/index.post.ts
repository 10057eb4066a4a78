import { SaidSchema } from '../../../../../core/handout/talk'
import { mayAsk } from '../../../../http/limits'
import { requireRightOnSlate } from '../../../../http/onSlate'
import { LARGEST } from '../../../../../core/contract/sizes'
import { readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { speak } from '../../../../usecases/talk'

/** A word to the others on a slate, or an answer to a note in its margin. */
export default defineEventHandler(async event => {
  const { all, id, actor, who } = await requireRightOnSlate(event, 'slate.talk')
  const said = await readJson(event, SaidSchema, LARGEST.anybody)
  if (!(await mayAsk(all.limits.talk, actor.id))) throw refusal('too-often')
  const spoken = await speak(
    all,
    { slate: id, kind: who.kind!, by: who.hold!.actor.author, staff: actor.kind === 'teacher' },
    said,
  )
  if (!spoken.ok) throw refusal(spoken.reason)
  return {}
})
