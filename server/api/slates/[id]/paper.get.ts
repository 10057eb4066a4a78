import { createReadStream } from 'node:fs'
import { once } from 'node:events'
import { sendStream } from 'h3'
import * as v from 'valibot'
import { withFolder } from '../../../files/folder'
import { sendAsFile } from '../../../http/download'
import { requireRightOnSlate } from '../../../http/onSlate'
import { queryAs } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { slatePaper } from '../../../usecases/slateOnPaper'

const Query = v.object({ marked: v.optional(v.picklist(['0', '1']), '1') })

/** One slate as a PDF, with what was said of it or without. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnSlate(event, 'slate.review')
  const { marked } = queryAs(event, Query)
  return withFolder(async folder => {
    const paper = await slatePaper(folder, all, { slate: id, author: actor.name, marked: marked === '1' })
    if (!paper.ok) throw refusal(paper.reason)
    sendAsFile(event, { title: paper.value.title, ending: 'pdf', type: 'application/pdf', shown: true })
    const file = createReadStream(paper.value.path)
    // The folder goes when this is through; what is open can still be read.
    await once(file, 'open')
    return sendStream(event, file)
  })
})
