import * as v from 'valibot'
import { writeCsv } from '../../../../core/format/csv'
import { sendAsFile } from '../../../http/download'
import { requireRightOnHandout } from '../../../http/onHandout'
import { queryAs } from '../../../http/read'
import { resultsOf, TABLES } from '../../../usecases/results'

const Query = v.object({ of: v.picklist(TABLES), mark: v.optional(v.picklist(['0', '1']), '1') })

/** Results as a table that spreadsheets read, with a byte order mark unless it is to have none. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.review')
  const { of, mark } = queryAs(event, Query)
  const table = await resultsOf(all, id, of)
  sendAsFile(event, { title: `results ${of}`, ending: 'csv', type: 'text/csv; charset=utf-8' })
  return writeCsv(table, { mark: mark === '1' })
})
