import { answering } from '../../http/answering'
import { withFolder } from '../../files/folder'
import { LARGEST } from '../../../core/contract/sizes'
import { readBytes } from '../../http/read'
import { importBoard } from '../../usecases/boards'

/** A board file is read, and its pictures and clips read anew, in a process of its own. */
export default answering('POST /api/boards/import', async ({ event, all: { db, labour }, actor: teacher, refuse }) => {
  const bytes = await readBytes(event, LARGEST.file)
  return withFolder(async folder => {
    const read = await labour.files.do('board-file', { bytes, folder })
    if (!read.ok) throw refuse(read.reason)
    if (!read.value.ok) throw refuse('bad-board', JSON.stringify(read.value.reason))
    return importBoard(db, teacher.id, read.value.value)
  })
})
