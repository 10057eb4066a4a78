import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../../core/layout/random'
import { checked, listRows, MOST_STUDENTS, readList } from '../../../core/roster/classList'
import { MISSING, planList, type KnownStudent, type ListPlan } from '../../../core/roster/listPlan'
import { shortName, shortNames } from '../../../core/roster/names'
import { writeCsv } from '../../../core/format/csv'
import { oneRosterFileOf, readOneRoster } from '../../../core/roster/oneRoster'
import { decodeText } from '../../../core/text/decode'
import { makeClassCode, makePicturePassword, tidyClassCode } from '../../../core/roster/picturePassword'
import { canonicalJson } from '../../../core/format/canonical'
import { readWordList } from '../../../core/design/pieces'

/** What a text is read as when nobody changes what its columns are. */
const rowsOf = (text: string) => {
  const { table, guess } = readList(text)
  return listRows(table, guess)
}
const namesOf = (text: string) => rowsOf(text).map(row => row.student.name)

describe('a pasted class list', () => {
  it('keeps names in order, passes over empty lines, and numbers the lines as they were pasted', () => {
    expect(rowsOf('Marlo Tern\r\n\n  Inka\tPetrel \nSkua, Juno\n')).toEqual([
      { line: 1, student: { name: 'Marlo Tern' } },
      { line: 3, student: { name: 'Inka Petrel' } },
      { line: 4, student: { name: 'Juno Skua' } },
    ])
  })
  it('shows doubles, and lines that are no names', () => {
    expect(rowsOf(`Ada\nada\n123\n${'x'.repeat(61)}\nBo`).map(r => r.problem)).toEqual([
      undefined,
      'double',
      'no-letters',
      'too-long',
      undefined,
    ])
  })
  it('keeps accents and right-to-left names, and drops characters nobody can see', () => {
    expect(namesOf('Zoë Núñez\nنور الدين\nמרים\nMa\u200brlo')).toEqual(['Zoë Núñez', 'نور الدين', 'מרים', 'Marlo'])
    expect(rowsOf('Zoe\u0301\nZoé').map(r => r.problem)).toEqual([undefined, 'double'])
  })
  it('says from where on a list of 500 is too long', () => {
    expect(
      rowsOf(Array.from({ length: 500 }, (_, i) => `Name ${i}`).join('\n')).filter(r => r.problem === 'too-many'),
    ).toHaveLength(500 - MOST_STUDENTS)
  })
  it.each([
    ['surname first', 'Tern, Marlo\nPetrel, Inka\n', ['Marlo Tern', 'Inka Petrel'], true],
    ['one line of names', 'Marlo Tern, Inka Petrel, Juno Skua', ['Marlo Tern', 'Inka Petrel', 'Juno Skua'], true],
    ['two columns without headings', 'Marlo\tTern\nInka\tPetrel', ['Marlo Tern', 'Inka Petrel'], false],
    ['headings in any order', 'Surname;Forename\nTern;Marlo\nPetrel;Inka', ['Marlo Tern', 'Inka Petrel'], true],
    [
      'a list with numbers before the names',
      '10231\tMarlo Tern\n10232\tInka Petrel',
      ['Marlo Tern', 'Inka Petrel'],
      true,
    ],
    [
      'quotes around cells with commas (RFC 4180, 2.6)',
      'Name,Note\n"Tern, Marlo","a ""b"", c"\n"Petrel, Inka",',
      ['Marlo Tern', 'Inka Petrel'],
      true,
    ],
  ])('understands %s', (_, text, names, sure) => {
    expect(namesOf(text)).toEqual(names)
    expect(readList(text).guess.sure).toBe(sure)
  })
  it('takes records, levels and preferred names from their columns, and nothing from the others', () => {
    expect(
      rowsOf(
        'Student ID,First name,Last name,Known as,Band,E-mail\n007,Marlo,Tern,Mo,B,m@ternhaven.example\n008,Inka,Petrel,,A,\n',
      ),
    ).toEqual([
      { line: 2, student: { name: 'Marlo Tern', preferred: 'Mo', level: 'B', record: '007' } },
      { line: 3, student: { name: 'Inka Petrel', level: 'A', record: '008' } },
    ])
    expect(rowsOf('id,name\n1,Ada\n1,Bo').map(row => row.problem)).toEqual([undefined, 'double-record'])
  })
  it('counts lines through cells of several lines', () => {
    expect(rowsOf('Name,Note\n"Ada","one\ntwo"\nBo,x').map(row => row.line)).toEqual([2, 4])
  })
  it('is read whatever encoding it came in, and never throws', () => {
    const text = 'Name;Klasse\nZoë Núñez;5\n'
    const utf16 = new Uint8Array([0xff, 0xfe, ...[...text].flatMap(c => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8])])
    const latin = new Uint8Array([...text].map(c => c.charCodeAt(0)))
    const read = [new TextEncoder().encode(`\uFEFF${text}`), utf16, utf16.subarray(2), latin].map(decodeText)
    expect(read.map(r => r.encoding)).toEqual(['UTF-8', 'UTF-16', 'UTF-16', 'Windows-1252'])
    for (const { text: decoded } of read) expect(namesOf(decoded)).toEqual(['Zoë Núñez'])
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ unit: 'binary' }),
          fc.array(fc.constantFrom('"', ',', ';', '\t', '\n', 'a', ' ')).map(a => a.join('')),
        ),
        odd => {
          for (const row of rowsOf(odd)) expect(row.student.name).not.toBe('')
        },
      ),
    )
  })
})

describe('taking a list over', () => {
  const known = (id: string, name: string, more: Partial<KnownStudent> = {}): KnownStudent => ({
    id,
    name,
    left: false,
    ...more,
  })
  const brief = (plan: ListPlan) => ({
    added: plan.added.map(s => s.name),
    changed: plan.changed.map(c => `${c.from.name} > ${c.to.name}`),
    back: plan.back.map(c => c.to.name),
    same: plan.same.map(s => s.name),
    leaving: plan.leaving.map(s => s.name),
    clashes: plan.clashes.length,
  })
  const none = { added: [], changed: [], back: [], same: [], leaving: [], clashes: 0 }
  it('adds, changes, brings back, and lets go only whom it is told to', () => {
    const now = [
      known('1', 'Ada', { record: 'a' }),
      known('2', 'Bo'),
      known('3', 'Cy', { left: true }),
      known('4', 'Di'),
    ]
    const list = [{ name: 'Adah', record: 'a' }, { name: 'bo', level: 'B' }, { name: 'Cy' }, { name: 'Ed' }]
    const common = { added: ['Ed'], changed: ['Ada > Adah', 'Bo > bo'], back: ['Cy'], same: [], clashes: 0 }
    expect(brief(planList(now, list, 'stay'))).toEqual({ ...common, leaving: [] })
    expect(brief(planList(now, list, 'leave'))).toEqual({ ...common, leaving: ['Di'] })
  })
  it("keeps what the list doesn't say", () => {
    const [ada] = planList(
      [known('1', 'Ada', { level: 'B', preferred: 'Addie' })],
      [{ name: 'Ada', record: '9' }],
      'stay',
    ).changed
    expect(ada!.to).toEqual({ name: 'Ada', level: 'B', preferred: 'Addie', record: '9' })
  })
  it('sees that two of one name with other records are two, and says that they clash', () => {
    expect(brief(planList([known('1', 'Ada', { record: 'a' })], [{ name: 'Ada', record: 'b' }], 'stay'))).toEqual({
      ...none,
      added: ['Ada'],
      clashes: 1,
    })
    expect(
      brief(planList([known('1', 'Ada', { record: 'a' }), known('2', 'Bo')], [{ name: 'Bo', record: 'a' }], 'stay')),
    ).toMatchObject({ changed: ['Ada > Bo'], clashes: 1 })
  })
  it('lets two change names by their records', () => {
    expect(
      brief(
        planList(
          [known('1', 'Ada', { record: 'a' }), known('2', 'Bo', { record: 'b' })],
          [
            { name: 'Bo', record: 'a' },
            { name: 'Ada', record: 'b' },
          ],
          'leave',
        ),
      ),
    ).toEqual({ ...none, changed: ['Ada > Bo', 'Bo > Ada'] })
  })
  it('done again changes nothing; everybody is in it once', () => {
    const name = fc.constantFrom('Ada', 'ada', 'Bo', 'Cy', 'Di', 'Ed', 'Flo')
    const listed = fc.record(
      { name, record: fc.constantFrom('a', 'b', 'c', 'd'), level: fc.constantFrom('1', '2') },
      { requiredKeys: ['name'] },
    )
    const people = fc.uniqueArray(
      fc.record(
        { name, left: fc.boolean(), record: fc.constantFrom('a', 'b', 'c') },
        { requiredKeys: ['name', 'left'] },
      ),
      { selector: p => p.name.toLowerCase() },
    )
    fc.assert(
      fc.property(people, fc.array(listed), fc.constantFrom(...MISSING), (before, list, missing) => {
        const now = before
          .filter((p, i) => p.record === undefined || before.findIndex(o => o.record === p.record) === i)
          .map((p, i) => ({ ...p, id: String(i) }))
        const good = checked(list.map((student, line) => ({ line, student })))
          .filter(row => !row.problem)
          .map(row => row.student)
        const plan = planList(now, good, missing)
        expect(plan.added.length + plan.changed.length + plan.back.length + plan.same.length).toBe(good.length)
        if (plan.clashes.length) return
        const of = new Map([...plan.changed, ...plan.back].map(change => [change.id, change.to]))
        const leaving = new Set(plan.leaving.map(s => s.id))
        const after: KnownStudent[] = [
          ...now.map(s => ({ ...s, ...of.get(s.id), left: leaving.has(s.id) || (s.left && !of.has(s.id)) })),
          ...plan.added.map((s, i) => ({ ...s, id: `new ${i}`, left: false })),
        ]
        expect(new Set(after.map(s => s.name.toLowerCase())).size).toBe(after.length)
        expect(brief(planList(after, good, missing))).toEqual({ ...none, same: expect.any(Array) })
      }),
      { seed: 4 },
    )
  })
})

/** Heads as in the tables of the bindings' chapter 4 (from memory). */
const USERS_11 =
  'sourcedId,status,dateLastModified,enabledUser,orgSourcedIds,role,username,userIds,givenName,familyName,middleName,identifier,email,sms,phone,agentSourcedIds,grades,password'
const USERS_12 =
  'sourcedId,status,dateLastModified,enabledUser,username,userIds,givenName,familyName,middleName,identifier,email,sms,phone,agentSourcedIds,grades,password,userMasterIdentifier,resourceSourcedIds,preferredGivenName,preferredMiddleName,preferredFamilyName,primaryOrgSourcedId,pronouns'
const ENROLMENTS =
  'sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role,primary,beginDate,endDate'
const CLASSES =
  'sourcedId,status,dateLastModified,title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,termSourcedIds,subjects,subjectCodes,periods'

describe("an export of the school's records", () => {
  const v11 = `${USERS_11}\nu1,active,,true,o1,student,m,,Marlo,Tern,,,,,,,05,\nu2,tobedeleted,,true,o1,student,i,,Inka,Petrel,,,,,,,05,\nu3,,,true,o1,teacher,t,,Tove,Skerry,,,,,,,,\nu4,,,false,o1,student,x,,Gone,Gull,,,,,,,,`
  const enrolments = `${ENROLMENTS}\ne1,,,c1,o1,u1,student,,,\ne2,,,c1,o1,u3,teacher,,,\ne3,,,c2,o1,u1,student,,,\ne4,,,c1,o1,nobody,student,,,`
  const classes = `${CLASSES}\nc1,,,Year 5/6,05,k,,homeroom,,o1,t,,,\nc2,,,Choir,05,k,,scheduled,,o1,t,,,`
  it('1.1: students by their role, in the classes of their enrolments', () => {
    const files = new Map([
      ['users.csv', v11],
      ['enrollments.csv', enrolments],
      ['classes.csv', classes],
    ] as const)
    expect(readOneRoster(files)).toEqual({
      ok: true,
      value: {
        passedOver: 1,
        classes: [
          { record: 'c2', title: 'Choir', students: [{ name: 'Marlo Tern', record: 'u1' }] },
          { record: 'c1', title: 'Year 5/6', students: [{ name: 'Marlo Tern', record: 'u1' }] },
        ],
      },
    })
  })
  it('1.2: by roles.csv, with preferred names', () => {
    const users = `${USERS_12}\nu1,,,true,m,,Marlo,Tern,,,,,,,05,,,,Mo,,,o1,\nu3,,,true,t,,Tove,Skerry,,,,,,,,,,,,,,o1,`
    const roles =
      'sourcedId,status,dateLastModified,userSourcedId,roleType,role,beginDate,endDate,orgSourcedId,userProfileSourcedId\nr1,,,u1,primary,student,,,o1,\nr2,,,u3,primary,teacher,,,o1,'
    expect(
      readOneRoster(
        new Map([
          ['users.csv', users],
          ['roles.csv', roles],
        ]),
      ),
    ).toMatchObject({
      ok: true,
      value: { classes: [{ students: [{ name: 'Marlo Tern', preferred: 'Mo', record: 'u1' }] }] },
    })
  })
  it('is known by its heads, whatever its files are called', () => {
    expect([v11, USERS_12, enrolments, classes, 'name\nAda'].map(oneRosterFileOf)).toEqual([
      'users.csv',
      'users.csv',
      'enrollments.csv',
      'classes.csv',
      null,
    ])
  })
  it('is refused in words when it lacks what it needs', () => {
    expect(readOneRoster(new Map([['enrollments.csv', enrolments]]))).toEqual({
      ok: false,
      reason: { kind: 'no-users' },
    })
    expect(readOneRoster(new Map([['users.csv', 'sourcedId,givenName\n1,Ada']]))).toEqual({
      ok: false,
      reason: { kind: 'no-column', file: 'users.csv', column: 'familyName' },
    })
    expect(readOneRoster(new Map([['users.csv', USERS_11]]))).toEqual({ ok: false, reason: { kind: 'no-students' } })
  })
})

describe('names', () => {
  it('shortens names for plates', () => {
    expect(shortName('Marlo Tern')).toBe('Marlo T.')
    expect(shortName('Inka de la Mer')).toBe('Inka M.')
    expect(shortName('Bo')).toBe('Bo')
  })
  it('are as long as it takes to tell those who stand together apart', () => {
    const of = (...names: string[]) => names.map(shortNames(names))
    expect(of('Marlo Tern', 'Ada Kelp')).toEqual(['Marlo T.', 'Ada K.'])
    expect(of('Marlo Tern', 'Marlo Toft', 'Ada Kelp')).toEqual(['Marlo Te.', 'Marlo To.', 'Ada K.'])
    expect(of('Marlo Tern', 'Marlo Ternby')).toEqual(['Marlo Tern', 'Marlo Ternb.'])
    expect(of('Inka de la Mer', 'Inka van Mer')).toEqual(['Inka de la Mer', 'Inka van Mer'])
    expect(of('Student 1', 'Student 10', 'Bo')).toEqual(['Student 1', 'Student 10', 'Bo'])
    expect(of('Bo T', 'Bo Tern')).toEqual(['Bo T.', 'Bo Te.'])
    expect(of('Mia Tern (red)', 'Mia Tern (blue)')).toEqual(['Mia (red)', 'Mia (blue)'])
    expect(of('Bo Tern', 'Bo Tern')).toEqual(['Bo T.', 'Bo T.'])
    expect(shortNames([])('Marlo Tern')).toBe('Marlo T.')
  })
})

describe('codes and picture passwords', () => {
  it('never repeat a picture and come back the same from the same numbers', () => {
    for (let seed = 0; seed < 200; seed++) {
      const password = makePicturePassword(seeded(seed))
      expect(new Set(password).size).toBe(3)
      expect(makePicturePassword(seeded(seed))).toEqual(password)
    }
  })

  it('are read as students type them', () => {
    const code = makeClassCode(seeded(3))
    expect(tidyClassCode(` ${code.slice(0, 3).toLowerCase()}-${code.slice(3)} `)).toBe(code)
    expect(code).toMatch(/^[^AEIOU015LS]{6}$/)
  })
})

describe('canonical JSON', () => {
  it('is the same for equal documents, whatever the order of their members', () => {
    expect(canonicalJson({ b: [1, { d: null, c: 'é' }], a: undefined })).toBe('{"b":[1,{"c":"é","d":null}]}')
    expect(canonicalJson({ x: 1, y: 2 })).toBe(canonicalJson({ y: 2, x: 1 }))
    expect(() => canonicalJson({ x: NaN })).toThrow()
  })
})

describe('a word list', () => {
  it('has one word a line, tidied; what is too long or too much is counted, not hidden', () => {
    expect(readWordList(' limpet \n\n sea   star\nlimpet')).toEqual({
      words: ['limpet', 'sea star', 'limpet'],
      cut: 0,
      left: 0,
    })
    expect(readWordList('a\nb\nc', 2)).toMatchObject({ words: ['a', 'b'], left: 1 })
    expect(readWordList('y'.repeat(300))).toMatchObject({ cut: 1 })
  })
})

describe('a list that leaves as CSV', () => {
  it('is what RFC 4180 says: quotes doubled, separators and line ends within quotes, lines that end with CR LF', () => {
    expect(
      writeCsv([
        ['a', 'b,c'],
        ['say "hi"', 'two\nlines'],
      ]),
    ).toBe('\uFEFFa,"b,c"\r\n"say ""hi""","two\nlines"\r\n')
  })
  it('runs nothing in a spreadsheet, keeps numbers, and comes in again as it was', () => {
    const csv = writeCsv([
      ['Name', 'Level'],
      ['=HYPERLINK("x")', '-3'],
      ['@SUM(A1)', '+1.5'],
      ['Ada Fern', 'reef'],
      ['-Bo', '\t=1'],
    ])
    expect(csv).toContain('"\'=HYPERLINK(""x"")",-3')
    expect(csv).toContain("'@SUM(A1),+1.5")
    expect(csv).toContain("'-Bo,'\t=1")
    const { table, guess } = readList(csv)
    expect(listRows(table, guess).find(row => row.student.name === 'Ada Fern')).toMatchObject({
      student: { level: 'reef' },
    })
  })
})

describe('names as the world writes them', () => {
  const namesIn = (text: string) => {
    const { table, guess } = readList(text)
    return listRows(table, guess).map(row => row.student.name)
  }

  it('lose the numbers and bullets they were counted with', () => {
    expect(namesIn('1. Marlo\n2. Ada Reed\n10. Bo')).toEqual(['Marlo', 'Ada Reed', 'Bo'])
    expect(namesIn('1) Marlo\n(2) Ada\n• Bo\n- Cy')).toEqual(['Marlo', 'Ada', 'Bo', 'Cy'])
    expect(namesIn('3rd Street\nAnne-Marie')).toEqual(['3rd Street', 'Anne-Marie'])
  })

  it('keep the joiners that spell them in Persian and Indic scripts, and no other invisible sign', () => {
    const persian = 'علی\u200Cرضا'
    const sinhala = 'ශ්\u200Dරී'
    expect(namesIn(`${persian}\n${sinhala}\nAda\u200B Re\u00ADed\u200E`)).toEqual([persian, sinhala, 'Ada Reed'])
  })

  it('are cut at the commas of their own script', () => {
    expect(namesIn('山田太郎、佐藤花子、鈴木一郎')).toEqual(['山田太郎', '佐藤花子', '鈴木一郎'])
    expect(namesIn('علی، رضا، مریم')).toEqual(['علی', 'رضا', 'مریم'])
  })

  it('that are known stay, and those beside them are added', () => {
    const known: KnownStudent[] = ['Ada Reed', 'Bo Shell'].map((name, i) => ({ id: `s${i}`, name, left: false }))
    const { table, guess } = readList('1. Ada Reed\n2. Bo Shell\n3. Cy Tern')
    const plan = planList(
      known,
      listRows(table, guess).map(row => row.student),
      'stay',
    )
    expect([plan.same.length, plan.added.map(student => student.name), plan.clashes]).toEqual([2, ['Cy Tern'], []])
  })
})
