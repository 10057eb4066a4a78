import { parse } from 'csv-parse/sync'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { ONE_ROSTER_COLUMNS, oneRosterFiles, type ClassToWrite } from '../../../core/format/oneRosterOut'
import { readOneRoster, type OneRosterFile } from '../../../core/roster/oneRoster'

const list = (names: readonly string[], day = '2026-11-27'): ClassToWrite => ({
  id: 'class-1',
  name: 'Year 5/6',
  code: 'TRN56H',
  teacher: { id: 'teacher-1', name: 'Maren Holt', email: 'maren@ternhaven.example' },
  students: names.map((name, i) => ({ id: `student-${i}`, name, preferred: null, level: i % 2 ? '5' : null })),
  day,
})
const rows = (text: string) => parse(text, { columns: true }) as Record<string, string>[]
/** What a file of this name may not leave empty in bulk (OneRoster 1.2 CSV Binding, 4; from memory). */
const REQUIRED: Record<keyof typeof ONE_ROSTER_COLUMNS, readonly string[]> = {
  'academicSessions.csv': ['sourcedId', 'title', 'type', 'startDate', 'endDate', 'schoolYear'],
  'orgs.csv': ['sourcedId', 'name', 'type'],
  'courses.csv': ['sourcedId', 'title', 'orgSourcedId'],
  'classes.csv': ['sourcedId', 'title', 'courseSourcedId', 'classType', 'schoolSourcedId', 'termSourcedIds'],
  'users.csv': ['sourcedId', 'enabledUser', 'username', 'givenName'],
  'roles.csv': ['sourcedId', 'userSourcedId', 'roleType', 'role', 'orgSourcedId'],
  'enrollments.csv': ['sourcedId', 'classSourcedId', 'schoolSourcedId', 'userSourcedId', 'role'],
}

it('has every file that its manifest says, with all columns in their order and all that is required', () => {
  const files = oneRosterFiles(list(['Ada Fern', 'Bo Kelp']))
  const manifest = new Map(rows(files['manifest.csv']!).map(row => [row['propertyName'], row['value']]))
  expect(manifest.get('oneroster.version')).toBe('1.2')
  for (const [file, columns] of Object.entries(ONE_ROSTER_COLUMNS)) {
    expect(manifest.get(`file.${file.replace('.csv', '')}`)).toBe('bulk')
    expect(files[file]!.split('\r\n')[0]).toBe(columns.split(' ').join(','))
    for (const row of rows(files[file]!)) {
      for (const column of REQUIRED[file as keyof typeof REQUIRED])
        expect(row[column], `${file} ${column}`).not.toBe('')
      // In bulk these two stay empty.
      expect([row['status'], row['dateLastModified']]).toEqual(['', ''])
    }
  }
  // Nobody comes in with what is in it.
  expect(Object.values(files).join()).not.toMatch(/password,[^,\r\n]+$/m)
  expect(rows(files['users.csv']!).every(row => row['password'] === '')).toBe(true)
})

it('refers to nothing that it does not have', () => {
  const files = oneRosterFiles(list(['Ada Fern', 'Bo Kelp', 'Cy Gull']))
  const ids = (file: string) => new Set(rows(files[file]!).map(row => row['sourcedId']))
  for (const row of rows(files['enrollments.csv']!)) {
    expect(ids('users.csv')).toContain(row['userSourcedId'])
    expect(ids('classes.csv')).toContain(row['classSourcedId'])
    expect(ids('orgs.csv')).toContain(row['schoolSourcedId'])
  }
  for (const row of rows(files['roles.csv']!)) expect(ids('users.csv')).toContain(row['userSourcedId'])
  const [one] = rows(files['classes.csv']!)
  expect(ids('courses.csv')).toContain(one!['courseSourcedId'])
  expect(ids('academicSessions.csv')).toContain(one!['termSourcedIds'])
})

it('comes back as the same list, whatever the names', () => {
  const name = fc
    .array(fc.stringMatching(/^[\p{L}'’-]{1,12}$/u), { minLength: 1, maxLength: 4 })
    .map(parts => parts.join(' '))
    // A name that a spreadsheet would run has a sign in front.
    .filter(text => text.split(' ').every(part => !/^[-=+@']/.test(part)))
  fc.assert(
    fc.property(fc.array(name, { minLength: 1, maxLength: 20 }), names => {
      const files = oneRosterFiles(list(names))
      const read = readOneRoster(
        new Map(
          Object.entries(files).filter(([file]) =>
            ['users.csv', 'classes.csv', 'enrollments.csv', 'roles.csv', 'manifest.csv'].includes(file),
          ) as [OneRosterFile, string][],
        ),
      )
      expect(read.ok && read.value.classes.map(one => one.title)).toEqual(['Year 5/6'])
      const back = read.ok ? read.value.classes[0]!.students.map(one => one.name.normalize('NFC')) : []
      expect(back.toSorted()).toEqual(names.map(one => one.normalize('NFC')).toSorted())
    }),
    { numRuns: 60 },
  )
})

it('knows the school year by the day', () => {
  const year = (day: string) => rows(oneRosterFiles(list(['Ada Fern'], day))['academicSessions.csv']!)[0]!['schoolYear']
  expect([year('2026-07-31'), year('2026-08-01'), year('2027-01-15')]).toEqual(['2026', '2027', '2027'])
})
