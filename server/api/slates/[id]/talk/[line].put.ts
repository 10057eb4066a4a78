import { answering } from '../../../../http/answering'
import { nameParam } from '../../../../http/read'
import { hideLine } from '../../../../usecases/talk'

export default answering('PUT /api/slates/[id]/talk/[line]', async ({ event, all, id, body: { hidden }, refuse }) => {
  if (!(await hideLine(all, id, nameParam(event, 'line'), hidden))) throw refuse('not-found')
  return {}
})
