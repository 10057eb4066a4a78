import { answering } from '../../../http/answering'
import { sendAsFile } from '../../../http/download'
import { annotationsOf } from '../../../usecases/results'

/** The margin of a slate as Web Annotations (W3C). */
export default answering('GET /api/slates/[id]/annotations', async ({ event, all, id, refuse }) => {
  const page = await annotationsOf(all, id)
  if (!page) throw refuse('unreadable')
  sendAsFile(event, {
    title: 'margin',
    ending: 'jsonld',
    type: 'application/ld+json; profile="http://www.w3.org/ns/anno.jsonld"',
  })
  return page
})
