import * as v from 'valibot'
import { readBoardFile } from '../../../core/format/boardFile'
import { readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { importBoard } from '../../usecases/boards'

/** Room for a board of many photos. */
const LARGEST_FILE = 80 * 1024 * 1024

export default defineEventHandler(async (event) => {
  const teacher = await requireTeacher(event)
  const read = readBoardFile(await readJson(event, v.unknown(), LARGEST_FILE))
  if (!read.ok) throw refusal('bad-board', JSON.stringify(read.reason))
  return importBoard((await services()).db, teacher.id, read.value)
})
