import { createReadStream } from 'node:fs'
import { once } from 'node:events'
import { sendStream } from 'h3'
import { answering } from '../../../http/answering'
import { withFolder } from '../../../files/folder'
import { sendAsFile } from '../../../http/download'
import { slatePaper } from '../../../usecases/slateOnPaper'

/** One slate as a PDF, with what was said of it or without. */
export default answering('GET /api/slates/[id]/paper', async ({ event, all, actor, id, query: { marked }, refuse }) => {
  return withFolder(async folder => {
    const paper = await slatePaper(folder, all, { slate: id, author: actor.name, marked: marked === '1' })
    if (!paper.ok) throw refuse(paper.reason)
    sendAsFile(event, { title: paper.value.title, ending: 'pdf', type: 'application/pdf', shown: true })
    const file = createReadStream(paper.value.path)
    // The folder goes when this is through; what is open can still be read.
    await once(file, 'open')
    return sendStream(event, file)
  })
})
