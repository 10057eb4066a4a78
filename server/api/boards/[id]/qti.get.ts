import { makeEdition } from '../../../../core/board/edition'
import { qtiPackage } from '../../../../core/format/qti/package'
import { answering } from '../../../http/answering'
import { sendAsFile } from '../../../http/download'
import { boardForPaper } from '../../../usecases/papers'

/** The board's answers as a QTI 3.0 package for other programs; or only the list of what such a package can't carry. */
export default answering('GET /api/boards/[id]/qti', async ({ event, all, id, query: { list }, refuse }) => {
  const { board, pictures } = await boardForPaper(all.db, id)
  const { left, files } = qtiPackage(makeEdition(board))
  // The manifest and the test are there always.
  if (list === '1') return { left, items: Object.keys(files).length - 2 }
  const zip = await all.labour.files.do('qti', { board, pictures })
  if (!zip.ok) throw refuse(zip.reason)
  sendAsFile(event, { title: board.title, ending: 'zip', type: 'application/zip' })
  return Buffer.from(zip.value)
})
