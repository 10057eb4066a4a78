import * as v from 'valibot'
import { readBoard } from '../../../core/board/board'
import { LARGEST } from '../../../core/contract/sizes'
import { idParam, readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireRight, requireTeacher } from '../../http/session'
import { roleOnBoard } from '../../rights/roles'
import { services } from '../../services'
import { saveBoard } from '../../usecases/boards'

const Save = v.object({ version: v.pipe(v.number(), v.integer(), v.minValue(1)), board: v.unknown() })

export default defineEventHandler(async event => {
  const { db } = await services()
  const id = idParam(event)
  const teacher = await requireTeacher(event)
  requireRight(await roleOnBoard(db, teacher, id), 'board.change')
  const { version, board } = await readJson(event, Save, LARGEST.board)
  const read = readBoard(board)
  if (!read.ok) throw refusal('bad-board', JSON.stringify(read.reason))
  const saved = await saveBoard({ db, id, teacher: teacher.id, board: read.value, version })
  if (!saved.ok) throw refusal(saved.reason.code)
  return saved.value
})
