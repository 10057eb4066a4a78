import { answering } from '../../../../../http/answering'
import { idParam } from '../../../../../http/read'
import { newPictures } from '../../../../../usecases/classes'

export default answering('POST /api/classes/[id]/students/[student]/pictures', async ({ event, all, id, refuse }) => {
  if (!(await newPictures(all, id, idParam(event, 'student')))) throw refuse('not-found')
  return { done: true }
})
