import readExcelFile from 'read-excel-file/node'
import { MOST_SHEETS, sheetOf, type Sheet } from '../../core/reading/sheets/sheet'
import { allOf } from '../../core/reading/xml'
import type { Archive } from '../../core/reading/zip'

export const isXlsx = (archive: Archive): boolean => archive.names.includes('xl/workbook.xml')

/** A table as large as that is no list of words; the package would make room for every cell up to the farthest. */
const MOST_ROWS = 20_000
const MOST_COLUMNS = 200

/** The sheets of a spreadsheet of Office Open XML; null for what can't be read, or reaches too far. */
export async function readXlsx(archive: Archive, bytes: Buffer): Promise<readonly Sheet[] | null> {
  const sheets = archive.names.filter(name => /^xl\/worksheets\/[^/]+\.xml$/.test(name))
  if (sheets.length === 0 || sheets.length > MOST_SHEETS || !sheets.every(name => isNear(archive, name))) return null
  try {
    const read = await readExcelFile(bytes)
    return read.map(({ sheet, data }) =>
      sheetOf(
        sheet,
        data.map(row => row.map(written)),
      ),
    )
  } catch {
    return null
  }
}

function isNear(archive: Archive, name: string): boolean {
  const root = archive.xml(name)
  if (!root) return false
  // Cells without a name of their own follow one another.
  const rows = allOf(root, 'row')
  const cells = allOf(root, 'c')
  if (rows.length > MOST_ROWS || rows.some(row => !(Number(row.attributes.r ?? 1) <= MOST_ROWS))) return false
  return [...cells.map(cell => cell.attributes.r ?? 'A1'), ...endsOf(root)].every(reference => {
    const [, letters, row] = /^([A-Z]{1,3})(\d{1,7})$/.exec(reference) ?? []
    return letters !== undefined && columnOf(letters) <= MOST_COLUMNS && Number(row) <= MOST_ROWS
  })
}

/** The extent that a sheet claims, which the package may believe. */
const endsOf = (root: Parameters<typeof allOf>[0]) =>
  allOf(root, 'dimension').flatMap(({ attributes: { ref } }) => (ref ? ref.split(':') : []))

const columnOf = (letters: string) => [...letters].reduce((all, letter) => all * 26 + letter.charCodeAt(0) - 64, 0)

/** Days without a time of day are written as days (ISO 8601). */
function written(value: unknown): string {
  if (value === null || value === undefined) return ''
  if (value instanceof Date) return value.toISOString().replace(/T00:00:00\.000Z$/, '')
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? String(value) : ''
}
