import { join } from 'node:path'
import { LARGEST_CLIP } from '../../../core/board/clip'
import { withFolder } from '../../files/folder'
import { keepClip } from '../../files/keepClip'
import { readToFile } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'

/** A sound or a film, as it is: it goes through a file, so that no process holds it. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const { db, labour } = await services()
  return withFolder(async folder => {
    const [from, to] = [join(folder, 'came'), join(folder, 'packed')]
    await readToFile(event, LARGEST_CLIP, from)
    const read = await labour.files.do('clip', { from, to })
    if (!read.ok) throw refusal(read.reason)
    if (!read.value.ok) throw refusal(read.value.reason === 'not-a-clip' ? 'bad-clip' : read.value.reason)
    const clip = read.value.value
    const kept = await keepClip(db, teacher.id, clip, to)
    if (!kept.ok) throw refusal(kept.reason)
    const { hash, kind, seconds, width, height } = clip
    return { hash, kind, seconds, width, height }
  })
})
