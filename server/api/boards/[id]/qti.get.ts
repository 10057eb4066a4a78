import * as v from 'valibot'
import { makeEdition } from '../../../../core/board/edition'
import { qtiPackage } from '../../../../core/format/qti/package'
import { sendAsFile } from '../../../http/download'
import { idParam, queryAs } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { actorOf, requireRight } from '../../../http/session'
import { roleOnBoard } from '../../../rights/roles'
import { services } from '../../../services'
import { boardForPaper } from '../../../usecases/papers'

const Query = v.object({ list: v.optional(v.picklist(['0', '1']), '0') })

/** The board's answers as a QTI 3.0 package for other programs; or only the list of what such a package can't carry. */
export default defineEventHandler(async event => {
  const all = await services()
  const id = idParam(event)
  requireRight(await roleOnBoard(all.db, await actorOf(event), id), 'board.read')
  const { list } = queryAs(event, Query)
  const { board, pictures } = await boardForPaper(all.db, id)
  const { left, files } = qtiPackage(makeEdition(board))
  // The manifest and the test are there always.
  if (list === '1') return { left, items: Object.keys(files).length - 2 }
  const zip = await all.labour.files.do('qti', { board, pictures })
  if (!zip.ok) throw refusal(zip.reason)
  sendAsFile(event, { title: board.title, ending: 'zip', type: 'application/zip' })
  return Buffer.from(zip.value)
})
