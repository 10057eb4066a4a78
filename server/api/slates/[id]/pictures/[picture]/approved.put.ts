import { answering } from '../../../../../http/answering'
import { nameParam } from '../../../../../http/read'
import { approvePicture } from '../../../../../usecases/slatePictures'

export default answering(
  'PUT /api/slates/[id]/pictures/[picture]/approved',
  async ({ event, all, id, body: { approved }, refuse }) => {
    if (!(await approvePicture(all, id, nameParam(event, 'picture'), approved))) throw refuse('not-found')
    return {}
  },
)
