import { answering } from '../../../../http/answering'
import { endCallOut } from '../../../../usecases/lesson/callOuts'

/** Nothing is called any more. */
export default answering('DELETE /api/handouts/[id]/callouts', async ({ all, id }) => {
  await endCallOut(all, id)
  return {}
})
