import { keepPicture } from '../../files/keep'
import { readPicture } from '../../files/picture'
import { shippedLibrary } from '../../files/shippedLibrary'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'

/** A picture of the library becomes a file of the teacher's, as if it had been uploaded. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const svg = (await shippedLibrary()).svg(getRouterParam(event, 'name') ?? '')
  if (!svg) throw refusal('not-found')
  const picture = await readPicture(Buffer.from(svg), 'the library')
  if (!picture.ok) throw refusal('bad-picture')
  await keepPicture((await services()).db, teacher.id, picture.value)
  const { hash, width, height } = picture.value
  return { hash, width, height }
})
