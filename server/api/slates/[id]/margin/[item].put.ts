import * as v from 'valibot'
import { requireRightOnSlate } from '../../../../http/onSlate'
import { idParam, readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { followMargin } from '../../../../usecases/lesson/secondThoughts'
import { setMarginRemoved } from '../../../../usecases/review'

const Change = v.object({ removed: v.boolean() })

export default defineEventHandler(async event => {
  const { all, id, actor, who } = await requireRightOnSlate(event, 'margin.write')
  const { removed } = await readJson(event, Change)
  const entry = idParam(event, 'item')
  if (!(await setMarginRemoved(all, id, entry, removed))) throw refusal('not-found')
  await followMargin(all, { slate: id, entry, removed }, { who: actor, author: who.hold!.actor.author })
  return { done: true }
})
