import { answering } from '../../http/answering'
import { keepPicture } from '../../files/keep'
import { readPicture } from '../../files/picture'
import { shippedLibrary } from '../../files/shippedLibrary'

/** A picture of the library becomes a file of the teacher's, as if it had been uploaded. */
export default answering('POST /api/library/[name]', async ({ event, all, actor: teacher, refuse }) => {
  const svg = (await shippedLibrary()).svg(getRouterParam(event, 'name') ?? '')
  if (!svg) throw refuse('not-found')
  const picture = await readPicture(Buffer.from(svg), 'the library')
  if (!picture.ok) throw refuse('bad-picture')
  await keepPicture(all.db, teacher.id, picture.value)
  const { hash, width, height } = picture.value
  return { hash, width, height }
})
