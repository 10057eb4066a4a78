import { LARGEST_PICTURE, readPicture } from '../../files/picture'
import { keepPicture } from '../../files/keep'
import { sizeWithin } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'

/** Room for the picture and the few lines of the form around it. */
const LARGEST_FORM = LARGEST_PICTURE + 10_000

export default defineEventHandler(async (event) => {
  const teacher = await requireTeacher(event)
  sizeWithin(event, LARGEST_FORM)
  const parts = await readMultipartFormData(event).catch(() => undefined)
  const file = parts?.find(part => part.name === 'file')
  if (!file) throw refusal('bad-request', 'There is no file in this form.')
  const picture = await readPicture(file.data)
  if (!picture.ok) throw refusal(picture.reason === 'not-a-picture' ? 'bad-picture' : picture.reason)
  await keepPicture((await services()).db, teacher.id, picture.value)
  const { hash, width, height } = picture.value
  return { hash, width, height }
})
