import { allOf, childOf, childrenOf, elementsIn, numberOf, type XmlElement } from '../xml'
import type { Archive } from '../zip'
import { MOST_SHEET_COLUMNS, MOST_SHEET_ROWS, MOST_SHEETS, sheetOf, type Sheet } from './sheet'

const spreadsheetIn = (archive: Archive) => childOf(archive.xml('content.xml'), 'body', 'spreadsheet')
export const isOds = (archive: Archive): boolean => spreadsheetIn(archive) !== null

/** The sheets of an OpenDocument spreadsheet (version 1.3, part 3, 9.1), as they are seen: what its cells show. */
export function readOds(archive: Archive): readonly Sheet[] {
  return childrenOf(spreadsheetIn(archive), 'table')
    .slice(0, MOST_SHEETS)
    .map(table => sheetOf(table.attributes.name ?? '', rowsOf(table)))
}

/** Rows and cells that say how often they are repeated are repeated no more often than a sheet has room for. */
function* rowsOf(table: XmlElement): Generator<string[]> {
  let rows = 0
  for (const row of allOf(table, 'table-row')) {
    const cells: string[] = []
    for (const cell of elementsIn(row)) {
      if (cell.name !== 'table-cell' && cell.name !== 'covered-table-cell') continue
      // A formula that came to nothing shows why; that is no word.
      const failed = cell.attributes['calcext:value-type'] === 'error'
      const text = failed ? '' : childrenOf(cell, 'p').map(inline).join(' ')
      const times = Math.min(numberOf(cell, 'number-columns-repeated') ?? 1, MOST_SHEET_COLUMNS - cells.length)
      for (let i = 0; i < times; i++) cells.push(text)
    }
    const times = Math.min(numberOf(row, 'number-rows-repeated') ?? 1, MOST_SHEET_ROWS - rows)
    // What is empty is repeated down to the last row that a program can have.
    const shown = cells.some(Boolean) ? times : Math.min(1, times)
    for (let i = 0; i < shown; i++) yield cells
    rows += shown
  }
}

/** What a cell shows; what was said about it stays away. */
const inline = (element: XmlElement): string =>
  element.children
    .map(child => {
      if (typeof child === 'string') return child
      if (child.name === 's') return ' '
      if (child.name === 'line-break' || child.name === 'tab') return ' '
      return child.name === 'annotation' ? '' : inline(child)
    })
    .join('')
