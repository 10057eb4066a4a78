import { answering } from '../../../http/answering'
import { setAside } from '../../../usecases/lesson/secondThoughts'

/** Pieces are set aside for second thoughts, at a slate on which somebody works. */
export default answering('POST /api/slates/[id]/second-thoughts', async ({ all, actor, id, who, body, refuse }) => {
  const done = await setAside(all, id, { who: actor, author: who.hold!.actor.author, ...body })
  if (!done.ok) throw done.reason === 'unknown' ? refuse('bad-request', 'It has no such piece.') : refuse(done.reason)
  return done.value
})
