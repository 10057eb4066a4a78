import { format, getFormatFromId, isDateFormat } from 'numfmt'
import { Package, targetOf, type PackagePart } from '../opc'
import { childOf, childrenOf, elementsIn, type XmlElement } from '../xml'
import type { Archive } from '../zip'
import { MOST_SHEET_COLUMNS, MOST_SHEET_ROWS, MOST_SHEETS, sheetOf, type Sheet } from './sheet'

const WORKBOOK = 'xl/workbook.xml'
export const isXlsx = (archive: Archive): boolean => archive.names.includes(WORKBOOK)

/**
 * The sheets of a spreadsheet of Office Open XML (ECMA-376 part 1, 18), as they are seen: numbers in their formats, so
 * that 25 % and 9:30 are what they look like. A formula shows what it last came to; one that never came to anything,
 * and an error, are empty. Null where there is no sheet that can be read.
 */
export function readXlsx(archive: Archive): readonly Sheet[] | null {
  const files = new Package(archive)
  const book = files.part(WORKBOOK)
  const look: Look = {
    words: childrenOf(files.related(book, 'sharedStrings')?.root, 'si').map(wordsIn),
    patterns: patternsOf(files.related(book, 'styles')),
    late: isTrue(childOf(book?.root, 'workbookPr')?.attributes.date1904),
  }
  const sheets = childrenOf(childOf(book?.root, 'sheets'), 'sheet').slice(0, MOST_SHEETS)
  const read = sheets.flatMap(({ attributes }) => {
    const data = childOf(files.part(book && targetOf(book, attributes['r:id'] ?? attributes.id))?.root, 'sheetData')
    return data ? [sheetOf(attributes.name ?? '', rowsOf(data, look))] : []
  })
  return read.length ? read : null
}

interface Look {
  /** The texts that cells name by number. */
  readonly words: readonly string[]
  /** How numbers are written, by a cell's style. */
  readonly patterns: readonly string[]
  /** Days are counted from 1904. */
  readonly late: boolean
}

/** Rows and cells without a name follow the one before; those beyond what a sheet has room for are passed over. */
function* rowsOf(data: XmlElement, look: Look): Generator<string[]> {
  const rows = new Map<number, string[]>()
  let row = 0
  for (const one of childrenOf(data, 'row')) {
    row = Number(one.attributes.r ?? row + 1)
    if (!(row >= 1 && row <= MOST_SHEET_ROWS)) continue
    const cells = rows.get(row) ?? []
    let column = 0
    for (const cell of childrenOf(one, 'c')) {
      column = columnOf(cell.attributes.r) ?? column + 1
      if (column <= MOST_SHEET_COLUMNS) cells[column - 1] = shownIn(cell, look)
    }
    rows.set(row, cells)
  }
  const last = Math.max(0, ...rows.keys())
  for (let i = 1; i <= last; i++) yield Array.from(rows.get(i) ?? [], cell => cell ?? '')
}

/** 1 for "A7", 28 for "AB7". */
function columnOf(reference: string | undefined): number | null {
  const [, letters] = /^([A-Z]{1,3})\d+$/.exec(reference ?? '') ?? []
  return letters ? [...letters].reduce((all, letter) => all * 26 + letter.charCodeAt(0) - 64, 0) : null
}

function shownIn(cell: XmlElement, { words, patterns, late }: Look): string {
  const { t: kind = 'n', s: style } = cell.attributes
  if (kind === 'inlineStr') return wordsIn(childOf(cell, 'is'))
  const value = textOf(childOf(cell, 'v'))
  switch (kind) {
    case 's':
      return words[Number(value)] ?? ''
    case 'str':
      return value
    case 'b':
      return value === '1' ? 'TRUE' : value && 'FALSE'
    case 'd':
      return value.replace(/T00:00(:00(\.0+)?)?$/, '').replace('T', ' ')
    case 'n':
      return value.trim() && numberIn(Number(value), patterns[Number(style ?? 0)] ?? GENERAL, late)
    default:
      return ''
  }
}

const GENERAL = 'General'
/** Days between the two beginnings of time that spreadsheets have. */
const FROM_1900_TO_1904 = 1462

function numberIn(value: number, pattern: string, late: boolean): string {
  if (!Number.isFinite(value)) return ''
  try {
    return format(pattern, late && isDateFormat(pattern) ? value + FROM_1900_TO_1904 : value, { nbsp: false }).trim()
  } catch {
    // A format that nobody else reads, either.
    return String(value)
  }
}

/** What stands for a day in the reader's own way of writing days: here as ISO 8601 has it. */
const OWN_WAY: Readonly<Record<number, string>> = { 14: 'yyyy-mm-dd', 22: 'yyyy-mm-dd h:mm' }
const LAST_BUILT_IN = 49

/** Number formats by style (18.8.10 cellXfs, 18.8.30 numFmt). */
function patternsOf(styles: PackagePart | null): string[] {
  const own = new Map(
    childrenOf(childOf(styles?.root, 'numFmts'), 'numFmt').map(({ attributes }) => [
      Number(attributes.numFmtId),
      attributes.formatCode ?? GENERAL,
    ]),
  )
  return childrenOf(childOf(styles?.root, 'cellXfs'), 'xf').map(({ attributes }) => {
    const id = Number(attributes.numFmtId ?? 0)
    return own.get(id) ?? OWN_WAY[id] ?? (id >= 0 && id <= LAST_BUILT_IN ? getFormatFromId(id) : GENERAL)
  })
}

/** A text with its runs; how it is pronounced is no part of it. */
const wordsIn = (element: XmlElement | null): string =>
  elementsIn(element)
    .map(child => (child.name === 't' ? textOf(child) : child.name === 'r' ? wordsIn(child) : ''))
    .join('')

const textOf = (element: XmlElement | null): string =>
  (element?.children ?? []).filter(child => typeof child === 'string').join('')

const isTrue = (flag: string | undefined) => flag === '1' || flag === 'true'
