import { requireRightOnSlate } from '../../../../http/onSlate'
import { talkOf } from '../../../../usecases/talk'

export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnSlate(event, 'slate.talk')
  return talkOf(all.db, id, actor.kind === 'teacher')
})
