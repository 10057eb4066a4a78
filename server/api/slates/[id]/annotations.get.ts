import { sendAsFile } from '../../../http/download'
import { refusal } from '../../../http/refuse'
import { requireRightOnSlate } from '../../../http/onSlate'
import { annotationsOf } from '../../../usecases/results'

/** The margin of a slate as Web Annotations (W3C). */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnSlate(event, 'slate.review')
  const page = await annotationsOf(all, id)
  if (!page) throw refusal('unreadable')
  sendAsFile(event, {
    title: 'margin',
    ending: 'jsonld',
    type: 'application/ld+json; profile="http://www.w3.org/ns/anno.jsonld"',
  })
  return page
})
