import { answering } from '../../../../http/answering'
import { idParam } from '../../../../http/read'
import { nudgeSeen } from '../../../../usecases/lesson/nudges'

/** A word from the teacher was seen. */
export default answering('PUT /api/slates/[id]/nudges/[nudge]', async ({ event, all, id }) => {
  await nudgeSeen(all, id, idParam(event, 'nudge'))
  return {}
})
