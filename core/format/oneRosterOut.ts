import { writeCsv } from './csv'

/** A class list as it goes out. Ids are the school's own where it has any, else ours. */
export interface ClassToWrite {
  readonly id: string
  readonly name: string
  readonly code: string
  readonly teacher: { readonly id: string; readonly name: string; readonly email: string }
  readonly students: readonly {
    readonly id: string
    readonly name: string
    readonly preferred: string | null
    readonly level: string | null
  }[]
  /** "2026-11-27": the school year that goes on then, from August to July. */
  readonly day: string
}

/** The columns of each file, in their order (1EdTech OneRoster 1.2 CSV Binding, 4; from memory). */
export const ONE_ROSTER_COLUMNS = {
  'academicSessions.csv': 'sourcedId status dateLastModified title type startDate endDate parentSourcedId schoolYear',
  'orgs.csv': 'sourcedId status dateLastModified name type identifier parentSourcedId',
  'courses.csv':
    'sourcedId status dateLastModified schoolYearSourcedId title courseCode grades orgSourcedId subjects subjectCodes',
  'classes.csv':
    'sourcedId status dateLastModified title grades courseSourcedId classCode classType location schoolSourcedId '
    + 'termSourcedIds subjects subjectCodes periods',
  'users.csv':
    'sourcedId status dateLastModified enabledUser username userIds givenName familyName middleName identifier email '
    + 'sms phone agentSourcedIds grades password userMasterIdentifier resourceSourcedIds preferredGivenName '
    + 'preferredMiddleName preferredFamilyName primaryOrgSourcedId pronouns',
  'roles.csv':
    'sourcedId status dateLastModified userSourcedId roleType role beginDate endDate orgSourcedId userProfileSourcedId',
  'enrollments.csv':
    'sourcedId status dateLastModified classSourcedId schoolSourcedId userSourcedId role primary beginDate endDate',
} as const
type FileName = keyof typeof ONE_ROSTER_COLUMNS
type Row = Readonly<Record<string, string>>

const SCHOOL = 'school'
const COURSE = 'course'
/** The month in which a school year begins. */
const AUGUST = 8

/**
 * A class as a OneRoster 1.2 export in bulk: what a bulk file says nothing of (status, dates of change) stays empty. A
 * name is parted before its last word; who has only one has no family name. Passwords, pictures and groups stay here.
 */
export function oneRosterFiles({ id, name, code, teacher, students, day }: ClassToWrite): Record<string, string> {
  const year = Number(day.slice(0, 4)) + (Number(day.slice(5, 7)) >= AUGUST ? 1 : 0)
  const session = `year-${year}`
  const person = (one: { id: string; name: string }, more: Row = {}): Row => {
    const [, given = one.name, family = ''] = /^(.*\S)\s+(\S+)$/.exec(one.name.trim()) ?? []
    return {
      sourcedId: one.id,
      enabledUser: 'true',
      username: one.id,
      givenName: given,
      familyName: family,
      primaryOrgSourcedId: SCHOOL,
      ...more,
    }
  }
  const role = (user: string, is: 'teacher' | 'student'): Row => ({
    sourcedId: `role-${user}`,
    userSourcedId: user,
    roleType: 'primary',
    role: is,
    orgSourcedId: SCHOOL,
  })
  const enrolled = (user: string, is: 'teacher' | 'student'): Row => ({
    sourcedId: `${id}-${user}`,
    classSourcedId: id,
    schoolSourcedId: SCHOOL,
    userSourcedId: user,
    role: is,
    primary: is === 'teacher' ? 'true' : 'false',
  })
  const people = [
    { user: teacher.id, is: 'teacher' as const },
    ...students.map(one => ({ user: one.id, is: 'student' as const })),
  ]
  const rows: Record<FileName, readonly Row[]> = {
    'academicSessions.csv': [
      {
        sourcedId: session,
        title: `${year - 1}/${year}`,
        type: 'schoolYear',
        startDate: `${year - 1}-08-01`,
        endDate: `${year}-07-31`,
        schoolYear: String(year),
      },
    ],
    'orgs.csv': [{ sourcedId: SCHOOL, name: 'School', type: 'school' }],
    'courses.csv': [{ sourcedId: COURSE, schoolYearSourcedId: session, title: name, orgSourcedId: SCHOOL }],
    'classes.csv': [
      {
        sourcedId: id,
        title: name,
        courseSourcedId: COURSE,
        classCode: code,
        classType: 'homeroom',
        schoolSourcedId: SCHOOL,
        termSourcedIds: session,
      },
    ],
    'users.csv': [
      person(teacher, { email: teacher.email }),
      ...students.map(one => person(one, { preferredGivenName: one.preferred ?? '', grades: one.level ?? '' })),
    ],
    'roles.csv': people.map(({ user, is }) => role(user, is)),
    'enrollments.csv': people.map(({ user, is }) => enrolled(user, is)),
  }
  const files = (Object.keys(rows) as FileName[]).map(file => {
    const columns = ONE_ROSTER_COLUMNS[file].split(' ')
    return [
      file,
      writeCsv([columns, ...rows[file].map(row => columns.map(column => row[column] ?? ''))], { mark: false }),
    ]
  })
  return { 'manifest.csv': manifest(Object.keys(rows)), ...Object.fromEntries(files) }
}

/** Which files there are; those of other parts of OneRoster are absent. */
function manifest(there: readonly string[]): string {
  const named = (name: string) => [`file.${name}`, there.includes(`${name}.csv`) ? 'bulk' : 'absent']
  return writeCsv(
    [
      ['propertyName', 'value'],
      ['manifest.version', '1.0'],
      ['oneroster.version', '1.2'],
      ...[
        'academicSessions',
        'categories',
        'classes',
        'classResources',
        'courses',
        'courseResources',
        'demographics',
        'enrollments',
        'lineItems',
        'orgs',
        'resources',
        'results',
        'roles',
        'users',
      ].map(named),
      ['source.systemName', 'Dappled Slate'],
    ],
    { mark: false },
  )
}
