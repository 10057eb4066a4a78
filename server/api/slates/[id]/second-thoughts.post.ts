import * as v from 'valibot'
import { SecondThoughtSchema } from '../../../../core/margin/item'
import { requireRightOnSlate } from '../../../http/onSlate'
import { readJson } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { setAside } from '../../../usecases/lesson/secondThoughts'

const { piece, lay, why } = SecondThoughtSchema.entries
const MOST_PIECES = 100
const BodySchema = v.strictObject({
  pieces: v.pipe(v.array(v.strictObject({ piece, lay })), v.minLength(1), v.maxLength(MOST_PIECES)),
  why,
})

/** Pieces are set aside for second thoughts, at a slate on which somebody works. */
export default defineEventHandler(async event => {
  const { all, id, actor, who } = await requireRightOnSlate(event, 'slate.set-aside')
  const done = await setAside(all, id, {
    who: actor,
    author: who.hold!.actor.author,
    ...(await readJson(event, BodySchema)),
  })
  if (!done.ok) throw done.reason === 'unknown' ? refusal('bad-request', 'It has no such piece.') : refusal(done.reason)
  return done.value
})
