import Papa from 'papaparse'

/** Rows of cells as they came, with the line each began on; no row is empty. */
export interface Table {
  readonly rows: readonly TableRow[]
  readonly separator: Separator | null
}
export interface TableRow {
  readonly line: number
  readonly cells: readonly string[]
}
const SEPARATORS = ['\t', ';', ',', '|'] as const
export type Separator = (typeof SEPARATORS)[number]

export const MOST_ROWS = 100_000
const MOST_CELLS = 60

/**
 * What was pasted or loaded, as a table: RFC 4180 with any of four separators. The separator is the one that cuts the
 * most rows into the same number of cells, if it does so with more than half of them; null when none does. Given one,
 * that is it. Rows beyond the bound are left out.
 */
export function readTable(text: string, given?: Separator | null): Table {
  const clean = text.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n')
  const separator = given === undefined ? separatorOf(clean) : given
  // A separator that is nowhere leaves every line whole; quotes count only where cells do.
  const { data } = Papa.parse<string[]>(clean, {
    delimiter: separator ?? '\u001F',
    newline: '\n',
    quoteChar: separator ? '"' : '\u0000',
    preview: MOST_ROWS,
    skipEmptyLines: false,
  })
  let line = 1
  const rows: TableRow[] = []
  for (const raw of data) {
    const cells = raw.slice(0, MOST_CELLS).map(cell => cell.trim())
    if (cells.some(cell => cell)) rows.push({ line, cells })
    line += raw.reduce((sum, cell) => sum + cell.split('\n').length - 1, 1)
  }
  return { rows, separator }
}

function separatorOf(text: string): Separator | null {
  const sample = text.slice(0, 20_000)
  let best: { separator: Separator; score: number } | null = null
  for (const separator of SEPARATORS) {
    const { data } = Papa.parse<string[]>(sample, {
      delimiter: separator,
      newline: '\n',
      preview: 200,
      skipEmptyLines: 'greedy',
    })
    const counts = new Map<number, number>()
    for (const row of data) if (row.length > 1) counts.set(row.length, (counts.get(row.length) ?? 0) + 1)
    const score = Math.max(0, ...[...counts.values()]) / Math.max(1, data.length)
    if (score > 0.5 && score > (best?.score ?? 0)) best = { separator, score }
  }
  return best?.separator ?? null
}
