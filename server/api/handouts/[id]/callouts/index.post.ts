import { answering } from '../../../../http/answering'
import { callOut } from '../../../../usecases/lesson/callOuts'

/** Calls a target: the pieces go back, and everybody builds. */
export default answering('POST /api/handouts/[id]/callouts', async ({ all, actor, id, body, refuse }) => {
  const called = await callOut(all, { handout: id, who: actor, ...body })
  if (!called.ok) throw refuse(called.reason)
  return called.value
})
