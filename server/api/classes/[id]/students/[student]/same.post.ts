import * as v from 'valibot'
import { requireRightOnClass } from '../../../../../http/onClass'
import { idParam, readJson } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { joinAsOne } from '../../../../../usecases/newcomers'

/** Another of those who came is this very person: they go on as this one. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  const { other } = await readJson(event, v.object({ other: v.pipe(v.string(), v.uuid(), v.toLowerCase()) }))
  if (!(await joinAsOne(all, id, idParam(event, 'student'), other))) throw refusal('not-found')
  return {}
})
