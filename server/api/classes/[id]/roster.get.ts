import { strToU8, zipSync } from 'fflate'
import { oneRosterFiles } from '../../../../core/format/oneRosterOut'
import { sendAsFile } from '../../../http/download'
import { requireRightOnClass } from '../../../http/onClass'
import { classForRecords } from '../../../usecases/classReading'

/** The class list as OneRoster 1.2 CSV, for the school's own records or another program. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.change')
  const list = await classForRecords(all.db, id, new Date().toISOString().slice(0, 10))
  const files = Object.entries(oneRosterFiles(list)).map(([name, text]) => [name, strToU8(text)] as const)
  sendAsFile(event, { title: list.name, ending: 'zip', type: 'application/zip' })
  return Buffer.from(zipSync(Object.fromEntries(files)))
})
