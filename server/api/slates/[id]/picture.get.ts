import { PictureOrderSchema } from '../../../../core/paper/pictureOrder'
import { sendAsFile } from '../../../http/download'
import { requireRightOnSlate } from '../../../http/onSlate'
import { queryAs } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { slateForPicture } from '../../../usecases/slateOnPaper'

/** A page of a slate as a picture, as it lies now. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.review')
  const order = queryAs(event, PictureOrderSchema)
  const slate = await slateForPicture(all, id)
  if (!slate) throw refusal('unreadable')
  const picture = await all.labour.files.do('page-picture', { ...slate, order })
  if (!picture.ok) throw refusal(picture.reason)
  const type = order.format === 'png' ? 'image/png' : 'image/svg+xml'
  sendAsFile(event, { title: slate.title, ending: order.format, type })
  return Buffer.from(picture.value)
})
