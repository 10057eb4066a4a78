import { ok, refuse, type Result } from '../result'
import type { ListedStudent } from './classList'
import { tidy } from './names'
import { readTable } from '../text/table'

/**
 * The files of a OneRoster export that a class list is made of, (1EdTech,
 * OneRoster 1.1 CSV Binding, 4; OneRoster 1.2 CSV Binding, 4). In 1.1 a user's role stands in `users.csv`, in 1.2 in
 * `roles.csv` and in each enrolment.
 */
export type OneRosterFile = 'users.csv' | 'classes.csv' | 'enrollments.csv' | 'roles.csv' | 'manifest.csv'
const NEEDED: Readonly<Record<OneRosterFile, readonly string[]>> = {
  'users.csv': ['sourcedId', 'givenName', 'familyName'],
  'classes.csv': ['sourcedId', 'title'],
  'enrollments.csv': ['classSourcedId', 'userSourcedId'],
  'roles.csv': ['userSourcedId', 'role'],
  'manifest.csv': ['propertyName'],
}

export interface RosterClass {
  readonly record: string
  readonly title: string
  readonly students: readonly ListedStudent[]
}
export type RosterRefusal =
  | { readonly kind: 'no-users' }
  | { readonly kind: 'no-students' }
  | { readonly kind: 'no-column'; readonly file: OneRosterFile; readonly column: string }
/** `passedOver`: rows that name somebody or something the files don't have, or a student without a name. */
export interface Roster {
  readonly classes: readonly RosterClass[]
  readonly passedOver: number
}

/** By what a table's first row names which of the files it is; null for any other. */
export function oneRosterFileOf(text: string): OneRosterFile | null {
  const heads = new Set(readTable(text.slice(0, 5000)).rows[0]?.cells)
  const is = (...columns: string[]) => columns.every(column => heads.has(column))
  if (is('classSourcedId', 'userSourcedId')) return 'enrollments.csv'
  if (is('sourcedId', 'givenName', 'familyName')) return 'users.csv'
  if (is('userSourcedId', 'roleType')) return 'roles.csv'
  if (is('sourcedId', 'title', 'courseSourcedId')) return 'classes.csv'
  return is('propertyName', 'value') ? 'manifest.csv' : null
}

/**
 * The classes of an export with their students. Of `users.csv` alone all students are one class without a title. What
 * is marked `tobedeleted`, and users who are not enabled, are left out.
 */
export function readOneRoster(files: ReadonlyMap<OneRosterFile, string>): Result<Roster, RosterRefusal> {
  if (!files.has('users.csv')) return refuse({ kind: 'no-users' })
  const read = new Map<OneRosterFile, Readonly<Record<string, string>>[]>()
  for (const [file, text] of files) {
    const [head, ...rows] = readTable(text).rows
    const missing = NEEDED[file].find(column => !head?.cells.includes(column))
    if (missing) return refuse({ kind: 'no-column', file, column: missing })
    read.set(
      file,
      rows
        .map(({ cells }) => Object.fromEntries(head!.cells.map((column, i) => [column, cells[i] ?? ''])))
        .filter(row => row.status?.toLowerCase() !== 'tobedeleted'),
    )
  }
  const isStudent = studentsOf(read)
  let passedOver = 0
  const students = new Map<string, ListedStudent>()
  for (const user of read.get('users.csv')!) {
    if (!isStudent(user) || user.enabledUser?.toLowerCase() === 'false') continue
    const name = [user.givenName, user.familyName]
      .map(part => tidy(part ?? ''))
      .filter(Boolean)
      .join(' ')
    const preferred = tidy(user.preferredGivenName ?? '')
    if (!user.sourcedId || !name) passedOver++
    else
      students.set(user.sourcedId, {
        name,
        record: user.sourcedId,
        ...(preferred && preferred !== tidy(user.givenName ?? '') && { preferred }),
      })
  }
  const enrolments = read.get('enrollments.csv')
  if (students.size === 0) return refuse({ kind: 'no-students' })
  if (!enrolments) return ok({ classes: [{ record: '', title: '', students: [...students.values()] }], passedOver })
  const titles = new Map(read.get('classes.csv')?.map(row => [row.sourcedId!, tidy(row.title ?? '')]))
  const members = new Map<string, Map<string, ListedStudent>>()
  for (const { classSourcedId, userSourcedId, role } of enrolments) {
    if (role && role.toLowerCase() !== 'student') continue
    const student = students.get(userSourcedId ?? '')
    if (!student || !classSourcedId || (titles.size && !titles.has(classSourcedId))) {
      passedOver++
      continue
    }
    members.set(
      classSourcedId,
      (members.get(classSourcedId) ?? new Map<string, ListedStudent>()).set(student.record!, student),
    )
  }
  const classes = [...members].map(([record, of]) => ({
    record,
    title: titles.get(record) || record,
    students: [...of.values()],
  }))
  return classes.length
    ? ok({ classes: classes.toSorted((a, b) => a.title.localeCompare(b.title, 'en')), passedOver })
    : refuse({ kind: 'no-students' })
}

function studentsOf(
  read: ReadonlyMap<OneRosterFile, readonly Readonly<Record<string, string>>[]>,
): (user: Readonly<Record<string, string>>) => boolean {
  const roles = read.get('roles.csv')
  const enrolled = read.get('enrollments.csv')
  const learning = (rows: typeof roles) =>
    new Set(rows?.filter(row => row.role?.toLowerCase() === 'student').map(row => row.userSourcedId))
  const byRoles = learning(roles)
  const byEnrolment = learning(enrolled)
  return user => {
    if (user.role) return user.role.toLowerCase() === 'student'
    if (roles) return byRoles.has(user.sourcedId)
    return enrolled ? byEnrolment.has(user.sourcedId) : true
  }
}
