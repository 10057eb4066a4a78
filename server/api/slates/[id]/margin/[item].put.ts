import { answering } from '../../../../http/answering'
import { idParam } from '../../../../http/read'
import { followMargin } from '../../../../usecases/lesson/secondThoughts'
import { setMarginRemoved } from '../../../../usecases/review'

export default answering(
  'PUT /api/slates/[id]/margin/[item]',
  async ({ event, all, actor, id, who, body: { removed }, refuse }) => {
    const entry = idParam(event, 'item')
    if (!(await setMarginRemoved(all, id, entry, removed))) throw refuse('not-found')
    await followMargin(all, { slate: id, entry, removed }, { who: actor, author: who.hold!.actor.author })
    return { done: true }
  },
)
