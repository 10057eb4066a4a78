import * as v from 'valibot'
import { FileHashSchema } from '../../../core/board/ids'
import { refusal } from '../../http/refuse'
import { actorOf, requireRight } from '../../http/session'
import { roleOnFile } from '../../rights/roles'
import { services } from '../../services'

export default defineEventHandler(async event => {
  const hash = getRouterParam(event, 'hash')
  if (!v.is(FileHashSchema, hash)) throw refusal('not-found')
  const { db } = await services()
  requireRight(await roleOnFile(db, await actorOf(event), hash), 'file.read')
  const file = await db
    .selectFrom('files')
    .select(['bytes', 'media_type'])
    .where('hash', '=', hash)
    .where('seconds', 'is', null)
    .executeTakeFirst()
  if (!file) throw refusal('not-found')
  // A hash names one content for ever; private, since the next person at this device may be another.
  setResponseHeaders(event, {
    'Content-Type': file.media_type,
    'Cache-Control': 'private, max-age=31536000, immutable',
  })
  return file.bytes
})
