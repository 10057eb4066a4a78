import * as v from 'valibot'
import { requireRightOnClass } from '../../../../../http/onClass'
import { idParam, readJson } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { setLeft } from '../../../../../usecases/classes'

/** A student leaves the class with their work kept, or comes back to it. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  const { left } = await readJson(event, v.object({ left: v.boolean() }))
  if (!(await setLeft(all, id, idParam(event, 'student'), left))) throw refusal('not-found')
  return {}
})
