import { answering } from '../../../http/answering'
import { changeVersion } from '../../../usecases/editions'

/** Another of the handout's versions for one student, at any time. */
export default answering('PUT /api/handouts/[id]/versions', async ({ all, id, body: { slate, version }, refuse }) => {
  const changed = await changeVersion(all, id, slate, version)
  if (!changed.ok) throw refuse(changed.reason)
  return {}
})
