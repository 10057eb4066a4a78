import type { Table } from '../text/table'

/** What a column of a class list can be. *record*: the number by which the school's records know the student. */
export const LIST_COLUMNS = ['name', 'given', 'family', 'preferred', 'level', 'record', 'left-out'] as const
export type ListColumn = (typeof LIST_COLUMNS)[number]

/** What each column is, whether the first row names them, and whether a person should look at it. */
export interface ColumnGuess {
  readonly columns: readonly ListColumn[]
  readonly headed: boolean
  readonly sure: boolean
}

/**
 * What columns are called in the exports of schools (common practice, no source), without signs and in small letters.
 */
const CALLED: Readonly<Record<ListColumn, readonly string[]>> = {
  name: [
    'name',
    'student',
    'studentname',
    'fullname',
    'pupil',
    'pupilname',
    'learner',
    'displayname',
    'names',
    'students',
    'pupils',
  ],
  given: ['given', 'givenname', 'firstname', 'forename', 'first', 'christianname', 'legalfirstname', 'forenames'],
  family: ['family', 'familyname', 'lastname', 'surname', 'last', 'secondname'],
  preferred: [
    'preferred',
    'preferredname',
    'preferredgivenname',
    'preferredfirstname',
    'knownas',
    'nickname',
    'callname',
    'goesby',
  ],
  level: ['level', 'set', 'band', 'ability', 'group', 'readinglevel', 'tier'],
  record: [
    'id',
    'studentid',
    'pupilid',
    'sourcedid',
    'identifier',
    'studentnumber',
    'upn',
    'number',
    'admissionnumber',
    'sisid',
    'recordid',
  ],
  'left-out': [],
}
const plain = (header: string) =>
  header
    .toLocaleLowerCase('en')
    .normalize('NFKD')
    .replace(/[^a-z0-9]/g, '')
const called = (header: string): ListColumn | null =>
  LIST_COLUMNS.find(column => CALLED[column].includes(plain(header))) ?? null

/**
 * What the columns are. A first row that names a name is a row of headings. Without one: a single column holds names;
 * of two or more the first with letters is the given name and the next the family name, which a person should look at;
 * a column of numbers is the record, one of few short words that come again and again the level.
 */
export function guessColumns({ rows, separator }: Table): ColumnGuess {
  const width = Math.max(0, ...rows.map(row => row.cells.length))
  const [first] = rows
  const heads = Array.from({ length: width }, (_, i) => called(first?.cells[i] ?? ''))
  if (heads.some(head => head === 'name' || head === 'given' || head === 'family')) {
    return { columns: once(heads.map(head => head ?? 'left-out')), headed: true, sure: true }
  }
  if (width <= 1) return { columns: width ? ['name'] : [], headed: false, sure: true }
  const columns = Array.from({ length: width }, (_, i) => kindOf(rows.map(row => row.cells[i] ?? '').filter(Boolean)))
  const words = columns.flatMap((kind, i) => (kind === 'name' ? [i] : []))
  // "Tern, Marlo" in every row: a comma in a name means that the surname comes first.
  const [a, b, ...more] = words
  if (a !== undefined && b !== undefined) {
    columns[a] = separator === ',' ? 'family' : 'given'
    columns[b] = separator === ',' ? 'given' : 'family'
    more.forEach(i => (columns[i] = 'left-out'))
  }
  return {
    columns: once(columns),
    headed: false,
    sure: words.length === 1 || (separator === ',' && width === 2 && words.length === 2),
  }
}

function kindOf(cells: readonly string[]): ListColumn {
  if (cells.length === 0) return 'left-out'
  if (cells.every(cell => /\d/.test(cell) && !/\p{L}{2}/u.test(cell) && cell.length > 2)) return 'record'
  const different = new Set(cells)
  if (cells.length >= 6 && different.size <= 5 && different.size <= cells.length / 3) return 'level'
  return cells.some(cell => /\p{L}/u.test(cell)) ? 'name' : 'left-out'
}

/** Each kind stands for one column only; the first has it. */
function once(columns: readonly ListColumn[]): ListColumn[] {
  const seen = new Set<ListColumn>()
  return columns.map(column => {
    if (column !== 'left-out' && seen.has(column)) return 'left-out'
    seen.add(column)
    return column
  })
}
