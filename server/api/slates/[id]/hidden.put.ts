import * as v from 'valibot'
import { OwnIdSchema } from '../../../../core/slate/ownSchema'
import { isOfSeveral } from '../../../../core/slate/kind'
import { requireRightOnSlate } from '../../../http/onSlate'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { hideThing } from '../../../usecases/slatePictures'

const BodySchema = v.object({
  id: v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,40}$/)),
  thing: OwnIdSchema,
  hidden: v.boolean(),
})

/** A teacher hides what doesn't belong on a slate of several, or on a page that others see, or shows it again. */
export default defineEventHandler(async event => {
  const { all, id, actor, who } = await requireRightOnSlate(event, 'slate.hide')
  const body = await readJson(event, BodySchema)
  if (!isOfSeveral(who.kind!) && who.kind !== 'page') throw refusal('not-now')
  const done = await hideThing(all, id, { actor, hold: who.hold! }, body)
  if (!done.ok) throw refusal(done.reason)
  return {}
})
