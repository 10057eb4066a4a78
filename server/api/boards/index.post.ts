import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { readBoard } from '../../../core/board/board'
import { PageIdSchema } from '../../../core/board/ids'
import { layLedges } from '../../../core/design/ledge'
import { answering } from '../../http/answering'
import { unforeseen } from '../../http/random'
import { once } from '../../http/once'
import { createBoard } from '../../usecases/boards'

export default answering(
  'POST /api/boards',
  async ({ event, actor: teacher, body: { title, board, organizer }, refuse }) => {
    const start = board === undefined ? null : readBoard(board)
    if (start && !start.ok) throw refuse('bad-board', JSON.stringify(start.reason))
    return once(event, teacher.id, async trx => {
      const from = start ? { board: layLedges(start.value, unforeseen) } : { page: v.parse(PageIdSchema, nanoid()) }
      const made = await createBoard(trx, teacher.id, title, { ...from, organizer })
      if (!made.ok) throw refuse(made.reason.code)
      return { id: made.value }
    })
  },
)
