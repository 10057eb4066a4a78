import { Readable } from 'node:stream'
import { getRouterParam, sendStream } from 'h3'
import * as v from 'valibot'
import { sendAsFile } from '../../../../http/download'
import { requireRightOnHandout } from '../../../../http/onHandout'
import { refusal } from '../../../../http/refuse'
import { paperFile } from '../../../../usecases/handoutPapers'

/** A paper that is ready. */
export default defineEventHandler(async event => {
  const { all, id, actor } = await requireRightOnHandout(event, 'handout.review')
  const paper = v.safeParse(v.pipe(v.string(), v.uuid()), getRouterParam(event, 'paper'))
  const file = paper.success ? await paperFile(all.db, paper.output, { handout: id, teacher: actor.id }) : null
  if (!file) throw refusal('not-found')
  sendAsFile(event, { title: file.title, ending: 'pdf', type: 'application/pdf', shown: true })
  return sendStream(event, Readable.from(file.pieces))
})
