import Papa from 'papaparse'

/** What a spreadsheet would run instead of show: OWASP, CSV Injection (from memory). */
const RUNS = /^[=+\-@\t\r]/

/**
 * A table as CSV (RFC 4180), with a byte order mark, so that spreadsheets read its letters, unless it is to have none.
 * A cell that a spreadsheet would take for a formula has an apostrophe in front, which spreadsheets hide; numbers stay
 * numbers.
 */
export function writeCsv(rows: readonly (readonly string[])[], { mark = true } = {}): string {
  return `${mark ? '\uFEFF' : ''}${Papa.unparse(
    rows.map(row => row.map(harmless)),
    { newline: '\r\n' },
  )}\r\n`
}
const harmless = (cell: string) => (RUNS.test(cell) && !/^[+-]?\d+([.,]\d+)?$/.test(cell) ? `'${cell}` : cell)
