import { readBoard } from '../../../core/board/board'
import { answering } from '../../http/answering'
import { saveBoard } from '../../usecases/boards'

export default answering(
  'PUT /api/boards/[id]',
  async ({ all: { db }, actor: teacher, id, body: { version, board }, refuse }) => {
    const read = readBoard(board)
    if (!read.ok) throw refuse('bad-board', JSON.stringify(read.reason))
    const saved = await saveBoard({ db, id, teacher: teacher.id, board: read.value, version })
    if (!saved.ok) throw refuse(saved.reason.code)
    return saved.value
  },
)
