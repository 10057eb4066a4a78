import { requireStudent } from '../http/session'
import { services } from '../services'
import { deskOf } from '../usecases/slates'

export default defineEventHandler(async event => {
  const student = await requireStudent(event)
  return deskOf(await services(), student.id)
})
