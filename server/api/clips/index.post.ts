import { join } from 'node:path'
import { LARGEST_CLIP } from '../../../core/board/clip'
import { answering } from '../../http/answering'
import { withFolder } from '../../files/folder'
import { keepClip } from '../../files/keepClip'
import { readToFile } from '../../http/read'

/** A sound or a film, as it is: it goes through a file, so that no process holds it. */
export default answering('POST /api/clips', async ({ event, all: { db, labour }, actor: teacher, refuse }) => {
  return withFolder(async folder => {
    const [from, to] = [join(folder, 'came'), join(folder, 'packed')]
    await readToFile(event, LARGEST_CLIP, from)
    const read = await labour.files.do('clip', { from, to })
    if (!read.ok) throw refuse(read.reason)
    if (!read.value.ok) throw refuse(read.value.reason === 'not-a-clip' ? 'bad-clip' : read.value.reason)
    const clip = read.value.value
    const kept = await keepClip(db, teacher.id, clip, to)
    if (!kept.ok) throw refuse(kept.reason)
    const { hash, kind, seconds, width, height } = clip
    return { hash, kind, seconds, width, height }
  })
})
