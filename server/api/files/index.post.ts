import { answering } from '../../http/answering'
import { LARGEST_PICTURE } from '../../files/picture'
import { keepPicture } from '../../files/keep'
import { readUpload } from '../../http/read'

/** Room for the picture and the few lines of the form around it. */
const LARGEST_FORM = LARGEST_PICTURE + 10_000

export default answering('POST /api/files', async ({ event, all: { db, labour }, actor: teacher, refuse }) => {
  const file = await readUpload(event, LARGEST_FORM)
  if (!file) throw refuse('bad-request', 'There is no file in this form.')
  const read = await labour.pictures.do('picture', file)
  if (!read.ok) throw refuse(read.reason)
  const picture = read.value
  if (!picture.ok) throw refuse(picture.reason === 'not-a-picture' ? 'bad-picture' : picture.reason)
  await keepPicture(db, teacher.id, picture.value)
  const { hash, width, height } = picture.value
  return { hash, width, height }
})
