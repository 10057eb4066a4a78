import { LARGEST_PICTURE } from '../../files/picture'
import { keepPicture } from '../../files/keep'
import { readUpload } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'

/** Room for the picture and the few lines of the form around it. */
const LARGEST_FORM = LARGEST_PICTURE + 10_000

export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const file = await readUpload(event, LARGEST_FORM)
  if (!file) throw refusal('bad-request', 'There is no file in this form.')
  const { db, labour } = await services()
  const read = await labour.pictures.do('picture', file)
  if (!read.ok) throw refusal(read.reason)
  const picture = read.value
  if (!picture.ok) throw refusal(picture.reason === 'not-a-picture' ? 'bad-picture' : picture.reason)
  await keepPicture(db, teacher.id, picture.value)
  const { hash, width, height } = picture.value
  return { hash, width, height }
})
