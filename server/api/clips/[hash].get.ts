import { Readable } from 'node:stream'
import * as v from 'valibot'
import { FileHashSchema } from '../../../core/board/ids'
import { clipBytes } from '../../files/keepClip'
import { partOf } from '../../http/range'
import { refusal } from '../../http/refuse'
import { actorOf, requireRight } from '../../http/session'
import { roleOnFile } from '../../rights/roles'
import { services } from '../../services'

/** A sound or a film, or a part of it: players ask for what they are about to play. */
export default defineEventHandler(async event => {
  const hash = getRouterParam(event, 'hash')
  if (!v.is(FileHashSchema, hash)) throw refusal('not-found')
  const { db } = await services()
  requireRight(await roleOnFile(db, await actorOf(event), hash), 'file.read')
  const clip = await db
    .selectFrom('files')
    .select(['size', 'media_type'])
    .where('hash', '=', hash)
    .where('seconds', 'is not', null)
    .executeTakeFirst()
  if (!clip) throw refusal('not-found')
  const size = clip.size!
  const part = partOf(getRequestHeader(event, 'range'), size)
  // A hash names one content for ever; private, since the next person at this device may be another.
  setResponseHeaders(event, {
    'Content-Type': clip.media_type,
    'Accept-Ranges': 'bytes',
    'Cache-Control': 'private, max-age=31536000, immutable',
  })
  if (part === 'outside') {
    setResponseStatus(event, 416)
    setResponseHeader(event, 'Content-Range', `bytes */${size}`)
    return ''
  }
  const { first, last } = part === 'whole' ? { first: 0, last: size - 1 } : part
  if (part !== 'whole') {
    setResponseStatus(event, 206)
    setResponseHeader(event, 'Content-Range', `bytes ${first}-${last}/${size}`)
  }
  setResponseHeader(event, 'Content-Length', last - first + 1)
  // One piece is in hand at a time, however slowly it is taken.
  return sendStream(event, Readable.from(clipBytes(db, hash, first, last), { highWaterMark: 1 }))
})
