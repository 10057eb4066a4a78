import { requireStudent } from '../http/session'
import { services } from '../services'
import { beginningsOf } from '../usecases/beginning'

/** What a student can begin by coming to it: an own page on a class board, a frame that they take. */
export default defineEventHandler(async event => {
  const student = await requireStudent(event)
  return beginningsOf(await services(), student.id)
})
