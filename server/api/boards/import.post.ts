import { withFolder } from '../../files/folder'
import { LARGEST } from '../../../core/contract/sizes'
import { readBytes } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { importBoard } from '../../usecases/boards'

/** A board file is read, and its pictures and clips read anew, in a process of its own. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const { db, labour } = await services()
  const bytes = await readBytes(event, LARGEST.file)
  return withFolder(async folder => {
    const read = await labour.files.do('board-file', { bytes, folder })
    if (!read.ok) throw refusal(read.reason)
    if (!read.value.ok) throw refusal('bad-board', JSON.stringify(read.value.reason))
    return importBoard(db, teacher.id, read.value.value)
  })
})
