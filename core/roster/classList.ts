import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { guessColumns, type ColumnGuess } from './listColumns'
import { foldName, hasLetter, tidy, tidyName } from './names'
import { readTable, type Table } from '../text/table'

export const MOST_STUDENTS = 200
export const NAME_LONGEST = 60
export const LEVEL_LONGEST = 20
export const RECORD_LONGEST = 80

/** A student as a list has them. `record` is what the school's records call them. */
export const ListedStudentSchema = v.strictObject({
  name: v.pipe(storedText(NAME_LONGEST), v.minLength(1)),
  preferred: v.optional(storedText(NAME_LONGEST)),
  level: v.optional(storedText(LEVEL_LONGEST)),
  record: v.optional(storedText(RECORD_LONGEST)),
})
export type ListedStudent = v.InferOutput<typeof ListedStudentSchema>

export type ListProblem = 'double' | 'double-record' | 'too-long' | 'no-letters' | 'too-many'
/** One row of a list as it would be kept, with what is wrong with it. `line` counts from 1 and includes empty lines. */
export interface ListRow {
  readonly line: number
  readonly student: ListedStudent
  readonly problem?: ListProblem
}

/** A pasted or loaded text as a table, with what its columns seem to be. */
export function readList(text: string): { readonly table: Table; readonly guess: ColumnGuess } {
  const table = inOneLine(readTable(withPlainCommas(text)))
  return { table, guess: guessColumns(table) }
}

/** The commas and semicolons of other scripts as the ones that tables are cut at. */
const withPlainCommas = (text: string) => text.replace(/[，،、]/g, ',').replace(/[；؛]/g, ';')

/** "Ada Reed, Bo Shell, Cy Tern" in one line are three names. */
function inOneLine(table: Table): Table {
  const [only, ...others] = table.rows
  if (!only || others.length || only.cells.length < 3 || table.separator === '\t') return table
  return { separator: null, rows: only.cells.filter(Boolean).map(cell => ({ line: only.line, cells: [cell] })) }
}

/** The rows of a table as students, by what its columns are said to be. Rows without a name are passed over. */
export function listRows({ rows }: Table, { columns, headed }: Pick<ColumnGuess, 'columns' | 'headed'>): ListRow[] {
  const at = (cells: readonly string[], kind: ColumnGuess['columns'][number]) =>
    tidy(cells[columns.indexOf(kind)] ?? '')
  return checked(
    rows.slice(headed ? 1 : 0).flatMap(({ line, cells }) => {
      const whole = tidyName(cells[columns.indexOf('name')] ?? '')
      const name = whole || [at(cells, 'given'), at(cells, 'family')].filter(Boolean).join(' ')
      if (!name) return []
      const [preferred, level, record] = [at(cells, 'preferred'), at(cells, 'level'), at(cells, 'record')]
      const short = [...level].slice(0, LEVEL_LONGEST).join('')
      return [
        {
          line,
          student: {
            name,
            ...(preferred && preferred !== name && { preferred }),
            ...(short && { level: short }),
            ...(record && { record }),
          },
        },
      ]
    }),
  )
}

/**
 * What is wrong with each row. Names are compared without regard to case; of two equal names the first is good, for two
 * students of one name can't be told apart by whoever comes in.
 */
export function checked(rows: readonly Omit<ListRow, 'problem'>[]): ListRow[] {
  const [names, records] = [new Set<string>(), new Set<string>()]
  let good = 0
  return rows.map(({ line, student }) => {
    const { name, preferred = '', record } = student
    const problem: ListProblem | undefined = !hasLetter(name)
      ? 'no-letters'
      : [...name].length > NAME_LONGEST
          || [...preferred].length > NAME_LONGEST
          || (record ?? '').length > RECORD_LONGEST
        ? 'too-long'
        : names.has(foldName(name))
          ? 'double'
          : record !== undefined && records.has(record)
            ? 'double-record'
            : good >= MOST_STUDENTS
              ? 'too-many'
              : undefined
    names.add(foldName(name))
    if (record !== undefined) records.add(record)
    if (!problem) good++
    return { line, student, ...(problem && { problem }) }
  })
}
