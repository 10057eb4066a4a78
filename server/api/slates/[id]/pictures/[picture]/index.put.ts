import { mayAsk } from '../../../../../http/limits'
import { requireRightOnSlate } from '../../../../../http/onSlate'
import { nameParam, readBytes } from '../../../../../http/read'
import { refusal } from '../../../../../http/refuse'
import { requireRight } from '../../../../../http/session'
import { moveOn } from '../../../../../../core/rights/rights'
import { givesPictures, keepSlatePicture } from '../../../../../usecases/slatePictures'

/** Devices make pictures smaller before they send them; a photo as a camera takes it is more than this. */
const LARGEST = 6 * 1024 * 1024

/** A picture for a slate, as it is: the move that lays it may have come before it, or come later. */
export default defineEventHandler(async event => {
  const { all, id, actor, who } = await requireRightOnSlate(event, 'slate.read')
  requireRight(who.role, moveOn(who.kind!))
  const name = nameParam(event, 'picture')
  if (!(await givesPictures(all, id))) throw refusal('not-now')
  if (!(await mayAsk(all.limits.pictures, actor.id))) throw refusal('too-often')
  const bytes = await readBytes(event, LARGEST)
  const read = await all.labour.pictures.do('picture', bytes)
  if (!read.ok) throw refusal(read.reason)
  const picture = read.value
  if (!picture.ok) throw refusal(picture.reason === 'not-a-picture' ? 'bad-picture' : picture.reason)
  const kept = await keepSlatePicture({
    services: all,
    slate: id,
    id: name,
    by: who.hold!.actor.author,
    picture: picture.value,
  })
  if (!kept.ok) throw refusal(kept.reason)
  return {}
})
