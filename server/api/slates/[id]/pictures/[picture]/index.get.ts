import { answering } from '../../../../../http/answering'
import { nameParam } from '../../../../../http/read'
import { pictureFor } from '../../../../../usecases/slatePictures'

export default answering('GET /api/slates/[id]/pictures/[picture]', async ({ event, all, actor, id, who, refuse }) => {
  const picture = await pictureFor(all, id, nameParam(event, 'picture'), {
    author: who.hold?.actor.author ?? null,
    staff: actor.kind === 'teacher',
  })
  if (!picture) throw refuse('not-found')
  // Asked for each time, since it may be hidden any time; what hasn't changed isn't sent again.
  setResponseHeaders(event, {
    'Content-Type': picture.media_type,
    'Cache-Control': 'private, no-cache',
    ETag: `"${picture.hash}"`,
  })
  if (getRequestHeader(event, 'if-none-match') === `"${picture.hash}"`) {
    setResponseStatus(event, 304)
    return null
  }
  return picture.bytes
})
