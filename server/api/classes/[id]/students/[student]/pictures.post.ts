import { requireRightOnClass } from '../../../../../http/onClass'
import { idParam } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { newPictures } from '../../../../../usecases/classes'

export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  if (!(await newPictures(all, id, idParam(event, 'student')))) throw refusal('not-found')
  return { done: true }
})
