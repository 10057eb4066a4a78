import { keepPicture } from '../../files/keep'
import { readBytes } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { keptOf, LARGEST_READ_IN } from '../../reading/readIn'
import { services } from '../../services'

/**
 * What is in a file that was made elsewhere, for the teacher to choose from. Its pictures are kept as theirs; a board
 * is made of it only when they say so.
 */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const { db, labour } = await services()
  const bytes = await readBytes(event, LARGEST_READ_IN)
  const done = await labour.files.do('read-in', bytes)
  if (!done.ok) throw refusal(done.reason)
  if (!done.value.ok) throw refusal(done.value.reason)
  const read = done.value.value
  if (read.kind === 'sheets') return read
  for (const { picture } of read.pictures) await keepPicture(db, teacher.id, picture)
  return { ...read, pictures: read.pictures.map(({ source, picture }) => ({ source, ...keptOf(picture) })) }
})
