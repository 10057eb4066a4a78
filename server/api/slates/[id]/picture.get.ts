import { answering } from '../../../http/answering'
import { sendAsFile } from '../../../http/download'
import { slateForPicture } from '../../../usecases/slateOnPaper'

/** A page of a slate as a picture, as it lies now. */
export default answering('GET /api/slates/[id]/picture', async ({ event, all, id, query: order, refuse }) => {
  const slate = await slateForPicture(all, id)
  if (!slate) throw refuse('unreadable')
  const picture = await all.labour.files.do('page-picture', { ...slate, order })
  if (!picture.ok) throw refuse(picture.reason)
  const type = order.format === 'png' ? 'image/png' : 'image/svg+xml'
  sendAsFile(event, { title: slate.title, ending: order.format, type })
  return Buffer.from(picture.value)
})
