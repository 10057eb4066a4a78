import { requireRightOnSlate } from '../../../../http/onSlate'
import { picturesOf } from '../../../../usecases/slatePictures'

/** Which pictures have come, and which of them wait for the teacher. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.read')
  return picturesOf(all.db, id)
})
