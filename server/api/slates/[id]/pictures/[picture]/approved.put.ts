import * as v from 'valibot'
import { requireRightOnSlate } from '../../../../../http/onSlate'
import { nameParam, readJson } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { approvePicture } from '../../../../../usecases/slatePictures'

export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.hide')
  const { approved } = await readJson(event, v.object({ approved: v.boolean() }))
  if (!(await approvePicture(all, id, nameParam(event, 'picture'), approved))) throw refusal('not-found')
  return {}
})
