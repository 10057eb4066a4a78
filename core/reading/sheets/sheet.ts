/** A sheet of a spreadsheet as words: rows of cells, without empty ones at the ends. */
export interface Sheet {
  readonly name: string
  readonly rows: readonly (readonly string[])[]
}

export const MOST_SHEETS = 20
export const MOST_SHEET_ROWS = 5000
export const MOST_SHEET_COLUMNS = 60
const LONGEST_CELL = 500

/** Cells as they may stand in a list of words: in one line, of a bounded length; what is empty at the ends goes. */
export function sheetOf(name: string, rows: Iterable<readonly string[]>): Sheet {
  const tidy: string[][] = []
  for (const row of rows) {
    if (tidy.length >= MOST_SHEET_ROWS) break
    const cells = row.slice(0, MOST_SHEET_COLUMNS).map(cell =>
      cell
        .slice(0, 4 * LONGEST_CELL)
        .replace(/\s+/g, ' ')
        .trim()
        .slice(0, LONGEST_CELL),
    )
    while (cells.at(-1) === '') cells.pop()
    tidy.push(cells)
  }
  while (tidy.length && tidy.at(-1)!.length === 0) tidy.pop()
  return { name: name.slice(0, 120), rows: tidy }
}

/** A sheet as a table to be pasted: cells parted by tabs, rows by line feeds; rows without a word are left out. */
export const asText = ({ rows }: Sheet): string =>
  rows
    .filter(row => row.length)
    .map(row => row.join('\t'))
    .join('\n')
