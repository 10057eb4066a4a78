import { answering } from '../../../../http/answering'
import { addToMargin } from '../../../../usecases/review'

export default answering('POST /api/slates/[id]/margin', async ({ all, actor: teacher, id, body, refuse }) => {
  const added = await addToMargin(all, id, teacher.id, body)
  if (!added.ok) throw refuse('bad-request', 'This slate has no such page or piece.')
  return added.value
})
