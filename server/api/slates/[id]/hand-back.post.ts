import { answering } from '../../../http/answering'
import { handBackOne } from '../../../usecases/handBack'

export default answering('POST /api/slates/[id]/hand-back', async ({ all, id, body: { again }, refuse }) => {
  const done = await handBackOne(all, id, again)
  if (!done.ok) throw done.reason === 'unreadable' ? refuse('unreadable') : refuse('not-now', done.reason)
  return { status: done.value.status }
})
