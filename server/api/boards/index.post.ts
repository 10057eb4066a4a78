import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { BoardSchema, readBoard } from '../../../core/board/board'
import { PageIdSchema } from '../../../core/board/ids'
import { newSeed } from '../../http/random'
import { readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { createBoard } from '../../usecases/boards'

/** `board` is what the new one starts from: an organizer, another board, words; without it there is one empty page. */
const NewBoard = v.object({ title: BoardSchema.entries.title, board: v.optional(v.unknown()) })

export default defineEventHandler(async (event) => {
  const teacher = await requireTeacher(event)
  const { title, board } = await readJson(event, NewBoard)
  const start = board === undefined ? null : readBoard(board)
  if (start && !start.ok) throw refusal('bad-board', JSON.stringify(start.reason))
  const made = await createBoard((await services()).db, teacher.id, title, start ? { ...start.value, seed: newSeed() } : { page: v.parse(PageIdSchema, nanoid()), seed: newSeed() })
  if (!made.ok) throw refusal(made.reason.code)
  return { id: made.value }
})
