import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { BoardSchema, readBoard } from '../../../core/board/board'
import { PageIdSchema } from '../../../core/board/ids'
import { layLedges } from '../../../core/design/ledge'
import { unforeseen } from '../../http/random'
import { once } from '../../http/once'
import { LARGEST } from '../../../core/contract/sizes'
import { readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { createBoard } from '../../usecases/boards'

/** `board` is what the new one starts from: an organizer, another board, words; without it there is one empty page. */
const NewBoard = v.object({
  title: BoardSchema.entries.title,
  board: v.optional(v.unknown()),
  organizer: v.optional(v.boolean(), false),
})

export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const { title, board, organizer } = await readJson(event, NewBoard, LARGEST.board)
  const start = board === undefined ? null : readBoard(board)
  if (start && !start.ok) throw refusal('bad-board', JSON.stringify(start.reason))
  return once(event, teacher.id, async trx => {
    const from = start ? { board: layLedges(start.value, unforeseen) } : { page: v.parse(PageIdSchema, nanoid()) }
    const made = await createBoard(trx, teacher.id, title, { ...from, organizer })
    if (!made.ok) throw refusal(made.reason.code)
    return { id: made.value }
  })
})
