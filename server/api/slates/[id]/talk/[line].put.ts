import * as v from 'valibot'
import { requireRightOnSlate } from '../../../../http/onSlate'
import { nameParam, readJson } from '../../../../http/read'
import { refusal } from '../../../../http/refuse'
import { hideLine } from '../../../../usecases/talk'

export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.hide')
  const { hidden } = await readJson(event, v.object({ hidden: v.boolean() }))
  if (!(await hideLine(all, id, nameParam(event, 'line'), hidden))) throw refusal('not-found')
  return {}
})
