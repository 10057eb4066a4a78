import * as v from 'valibot'
import { requireRightOnClass } from '../../../../../http/onClass'
import { idParam, readJson } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { changeLink } from '../../../../../usecases/links'

/** A student's personal link is changed, or taken away. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  const { to } = await readJson(event, v.object({ to: v.picklist(['new', 'none']) }))
  if (!(await changeLink(all, id, idParam(event, 'student'), to))) throw refusal('not-found')
  return {}
})
