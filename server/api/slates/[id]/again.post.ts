import { answering } from '../../../http/answering'
import { beginAgain } from '../../../usecases/tries'

/** A student begins another try. */
export default answering('POST /api/slates/[id]/again', async ({ all, id, refuse }) => {
  const begun = await beginAgain(all, id, false)
  if (!begun.ok) throw refuse(begun.reason)
  return { status: begun.value }
})
