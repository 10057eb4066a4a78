import { writeBoardFile } from '../../../../core/format/boardFile'
import { answering } from '../../../http/answering'
import { sendAsFile } from '../../../http/download'
import { exportBoard } from '../../../usecases/boards'

/** The board as one open file, with its answers and its pictures: for a colleague, or to keep. */
export default answering('GET /api/boards/[id]/file', async ({ event, all: { db }, id }) => {
  const file = await exportBoard(db, id)
  sendAsFile(event, { title: file.board.title, ending: 'board.json', type: 'application/json' })
  return writeBoardFile(file)
})
