import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { BoardSchema } from '../../../core/board/board'
import { PageIdSchema } from '../../../core/board/ids'
import { newSeed } from '../../http/random'
import { readJson } from '../../http/read'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { createBoard } from '../../usecases/boards'

const NewBoard = v.object({ title: BoardSchema.entries.title })

export default defineEventHandler(async (event) => {
  const teacher = await requireTeacher(event)
  const { title } = await readJson(event, NewBoard)
  return { id: await createBoard((await services()).db, teacher.id, title, v.parse(PageIdSchema, nanoid()), newSeed()) }
})
