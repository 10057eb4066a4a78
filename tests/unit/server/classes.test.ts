import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  changeClass,
  changeStudent,
  createClass,
  newCode,
  orderLevels,
  setLeft,
  takeList,
  type ListToTake,
} from '../../../server/usecases/classes'
import { whyNot } from '../../../server/usecases/giveOut'
import { classesOf, classWithStudents } from '../../../server/usecases/classReading'
import { acceptInvite, helpWith, removeAssistant, setInvite } from '../../../server/usecases/assistants'
import { dropSet, groupsOfClass, keepSet, keepWishes, setAbsent, type SetToKeep } from '../../../server/usecases/groups'
import { shore } from '../../boards'
import { listener, put, said, twoProcesses, until, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
beforeAll(async () => {
  two = await twoProcesses(shore(), 3)
})
afterAll(() => two.close())

const list = (names: readonly string[], missing: ListToTake['missing'] = 'stay'): ListToTake => ({
  students: names.map(name => ({ name })),
  missing,
})
async function newClass(name: string): Promise<string> {
  const made = await createClass(two.connection.db, two.school.teacher, name)
  if (!made.ok) throw new Error(made.reason)
  return made.value.id
}
const studentsOf = async (classId: string) => (await classWithStudents(two.connection.db, classId)).students

describe('a class that is put away', () => {
  const sessions = (classId: string) =>
    two.connection.db
      .selectFrom('sessions')
      .innerJoin('students', 'students.id', 'sessions.student_id')
      .select('sessions.id')
      .where('students.class_id', '=', classId)
      .execute()
  it('lets nobody in, gets nothing, leaves its name, and comes back with all it had', async () => {
    const { db } = two.connection
    const id = await newClass('Last year')
    await takeList(two.services, id, list(['Ada']))
    const [ada] = await studentsOf(id)
    await db
      .insertInto('sessions')
      .values({ student_id: ada!.id, ends_at: new Date(Date.now() + 60_000) })
      .execute()
    expect(await changeClass(two.services, id, { putAway: true })).toMatchObject({ ok: true })
    expect(await sessions(id)).toEqual([])
    expect((await classesOf(db, two.school.teacher)).find(row => row.id === id)?.putAway).toBe(true)
    await db.transaction().execute(async trx => {
      expect(await whyNot(trx, { classId: id }, { mode: 'copy-each', free: null })).toBe('put-away')
    })
    const next = await newClass('Last year')
    expect(await changeClass(two.services, id, { putAway: false })).toMatchObject({ ok: false, reason: 'taken' })
    expect(await changeClass(two.services, id, { putAway: false, name: 'The year before' })).toMatchObject({ ok: true })
    expect((await studentsOf(id)).map(student => student.name)).toEqual(['Ada'])
    expect(await changeClass(two.services, next, { name: 'The year before' })).toMatchObject({ reason: 'taken' })
    expect(await changeClass(two.services, next, { name: 'Last year' })).toMatchObject({ ok: true })
  })
})

describe('a class list', () => {
  it('is taken over whole or not at all', async () => {
    const id = await newClass('Half')
    expect(await takeList(two.services, id, list(['Ada', 'Bram', 'ada']))).toMatchObject({
      ok: false,
      reason: { rows: [{ line: 3, problem: 'double' }] },
    })
    expect(await studentsOf(id)).toEqual([])
    expect(await takeList(two.services, id, list(['Ada', 'نور', 'Zoë']))).toMatchObject({
      ok: true,
      value: { added: [{}, {}, {}] },
    })
    const clash = {
      students: [
        { name: 'Bo', record: '1' },
        { name: 'Bo', record: '2' },
      ],
      missing: 'stay',
    } as const
    expect(await takeList(two.services, id, clash)).toMatchObject({ ok: false })
    expect((await studentsOf(id)).map(s => s.name)).toEqual(['Ada', 'Zoë', 'نور'])
  })
  it('taken over again updates and never doubles, also when two do it at once', async () => {
    const id = await newClass('Again')
    const students = [
      { name: 'Ada', record: 'a', level: '10' },
      { name: 'Bo', record: 'b', level: '9' },
    ]
    await Promise.all([1, 2, 3].map(() => takeList(two.services, id, { students, missing: 'leave' })))
    const before = await studentsOf(id)
    expect(before).toMatchObject([
      { name: 'Ada', level: '10', record: 'a' },
      { name: 'Bo', level: '9' },
    ])
    expect((await classWithStudents(two.connection.db, id)).levels).toEqual(['9', '10'])
    // They change names; who they are, and their pictures, stay.
    expect(
      (
        await takeList(two.services, id, {
          students: [
            { name: 'Bo', record: 'a' },
            { name: 'Ada', record: 'b' },
          ],
          missing: 'leave',
        })
      ).ok,
    ).toBe(true)
    const after = await studentsOf(id)
    expect(after.map(s => [s.name, s.record])).toEqual([
      ['Ada', 'b'],
      ['Bo', 'a'],
    ])
    expect(after.find(s => s.record === 'a')).toMatchObject({
      id: before[0]!.id,
      pictures: before[0]!.pictures,
      level: '10',
    })
  })
  it('gives those who join late a slate of every handout of copies at once', async () => {
    const { db } = two.connection
    await takeList(two.services, two.school.classId, list(['Late Comer']))
    const slates = await db
      .selectFrom('slate_members')
      .select('slate_id')
      .where('handout_id', '=', two.school.handout)
      .execute()
    expect(slates).toHaveLength(4)
  })
  it('lets a student leave with their work kept, out at once, and come back to it', async () => {
    const { db } = two.connection
    const { id: slate, student } = two.school.slates[0]!
    expect(said(await two.submit(slate, two.as(student), [put('c0', 10)]))).toEqual([1])
    const { id: session } = await db
      .insertInto('sessions')
      .values({ student_id: student, teacher_id: null, ends_at: new Date(Date.now() + 60_000) })
      .returning('id')
      .executeTakeFirstOrThrow()
    const there = listener('there', session)
    two.engines[1].hub.join(there)
    expect(await setLeft(two.services, two.school.classId, student, true)).toBe(true)
    await until(() => there.over)
    expect(await db.selectFrom('sessions').select('id').where('student_id', '=', student).execute()).toEqual([])
    expect((await classesOf(db, two.school.teacher)).find(c => c.id === two.school.classId)).toMatchObject({
      students: 3,
    })
    expect((await two.stateOf(slate))!.number).toBe(1)
    // Back by the list, under the same name.
    const name = (await studentsOf(two.school.classId)).find(s => s.id === student)!.name
    expect(await takeList(two.services, two.school.classId, list([name]))).toMatchObject({
      ok: true,
      value: { back: [{ id: student }], added: [] },
    })
    expect(said(await two.submit(slate, two.as(student), [put('c0', 20)]))).toEqual([2])
    expect(
      await db.selectFrom('slate_members').select('slate_id').where('student_id', '=', student).execute(),
    ).toHaveLength(1)
  })
  it("can't be of two classes of one name with one teacher", async () => {
    expect(await createClass(two.connection.db, two.school.teacher, 'Class')).toEqual({ ok: false, reason: 'taken' })
  })
  it('asks of no student of another class', async () => {
    expect(await setLeft(two.services, await newClass('Other'), two.school.slates[0]!.student, true)).toBe(false)
  })
})

describe('groups of a class', () => {
  const DAY = '2026-03-02'
  const set = (name: string, groups: string[][]): SetToKeep => ({
    name,
    groups: groups.map((students, i) => ({ name: `Group ${i + 1}`, mark: 'oak', students })),
  })
  const keep = (classId: string, kept: SetToKeep, id?: string) =>
    two.connection.db.transaction().execute(trx => keepSet(trx, classId, kept, id))
  const page = (classId: string) => groupsOfClass(two.connection.db, classId, DAY)
  async function classOf(name: string, count: number): Promise<{ id: string; students: string[] }> {
    const id = await newClass(name)
    await takeList(
      two.services,
      id,
      list(Array.from({ length: count }, (_, i) => `Student ${String.fromCharCode(65 + i)}`)),
    )
    return { id, students: (await studentsOf(id)).map(s => s.id) }
  }
  it('are kept in named sets, changed without losing which group is which, and removed', async () => {
    const {
      id,
      students: [a, b, c, d],
    } = await classOf('Sets', 4)
    const lab = await keep(
      id,
      set('Lab', [
        [a!, b!],
        [c!, d!],
      ]),
    )
    if (!lab.ok) throw new Error(lab.reason)
    expect(await keep(id, set('lab', [[a!]]))).toEqual({ ok: false, reason: 'taken' })
    const before = (await page(id)).sets[0]!
    expect((await keep(id, set('Lab two', [[a!, c!], [b!], [d!]]), lab.value.id)).ok).toBe(true)
    const [after] = (await page(id)).sets
    expect(after).toMatchObject({
      name: 'Lab two',
      groups: [{ students: [a, c] }, { students: [b] }, { students: [d] }],
    })
    expect(after!.groups.slice(0, 2).map(g => g.id)).toEqual(before.groups.map(g => g.id))
    expect(await dropSet(two.connection.db, id, lab.value.id)).toBe(true)
    expect(await dropSet(two.connection.db, id, lab.value.id)).toBe(false)
  })
  it('take nobody twice, and nobody from elsewhere; not even when two keep at once', async () => {
    const {
      id,
      students: [a, b],
    } = await classOf('Nobody twice', 2)
    expect(await keep(id, set('Twice', [[a!], [a!]]))).toEqual({ ok: false, reason: 'not-found' })
    expect(await keep(id, set('Elsewhere', [[two.school.slates[0]!.student]]))).toEqual({
      ok: false,
      reason: 'not-found',
    })
    const results = await Promise.all(Array.from({ length: 8 }, () => keep(id, set('At once', [[a!, b!]]))))
    expect(results.filter(r => r.ok)).toHaveLength(1)
    expect((await page(id)).sets).toHaveLength(1)
  })
  it("have wishes and a day's absent students; who has left is in none of them until they come back", async () => {
    const { db } = two.connection
    const {
      id,
      students: [a, b, c],
    } = await classOf('Wishes', 3)
    expect(
      await keepWishes(db, id, [
        { kind: 'together', students: [a!, b!] },
        { kind: 'apart', students: [a!, c!] },
      ]),
    ).toEqual({ ok: true, value: null })
    expect(await keepWishes(db, id, [{ kind: 'apart', students: [a!, two.school.slates[0]!.student] }])).toEqual({
      ok: false,
      reason: 'not-found',
    })
    await keep(id, set('All', [[a!, b!, c!]]))
    for (const absent of [true, true]) expect(await setAbsent(db, id, { student: c!, day: DAY, absent })).toBe(true)
    await setLeft(two.services, id, b!, true)
    expect(await page(id)).toMatchObject({
      absent: [c],
      wishes: [{ kind: 'apart', students: [a, c] }],
      sets: [{ groups: [{ students: [a, c] }] }],
    })
    expect((await groupsOfClass(db, id, '2026-03-03')).absent).toEqual([])
    await setLeft(two.services, id, b!, false)
    expect((await page(id)).wishes).toHaveLength(2)
  })
})

describe('a teacher who helps', () => {
  const teacher = async (name: string) =>
    (
      await two.connection.db
        .insertInto('teachers')
        .values({ email: `${name}@ternhaven.example`, name, password_hash: 'none' })
        .returning('id')
        .executeTakeFirstOrThrow()
    ).id
  it('comes by the link once, also by two clicks, sees the class, and is out at once when they help no longer', async () => {
    const { db } = two.connection
    const id = await newClass('Helped')
    const [helper, other] = [await teacher('helper'), await teacher('other')]
    const invite = (await setInvite(db, id, true))!
    expect(await acceptInvite(db, two.school.teacher, invite)).toEqual({ ok: false, reason: 'own' })
    await Promise.all([helper, helper, other, helper].map(one => acceptInvite(db, one, invite)))
    expect(await helpWith(db, id)).toMatchObject({ invite, assistants: [{}, {}] })
    expect(await classesOf(db, helper)).toMatchObject([{ id, helping: true }])
    expect((await classesOf(db, two.school.teacher)).find(c => c.id === id)).toMatchObject({ helping: false })
    expect([await removeAssistant(two.services, id, helper), await removeAssistant(two.services, id, helper)]).toEqual([
      true,
      false,
    ])
    expect(await classesOf(db, helper)).toEqual([])
    // The link that they once came by lets them in no more.
    expect(await acceptInvite(db, helper, invite)).toEqual({ ok: false, reason: 'not-found' })
    const { invite: another } = await helpWith(db, id)
    expect(another).toMatch(/^[\w-]{24}$/)
    await setInvite(db, id, false)
    expect(await acceptInvite(db, helper, another!)).toEqual({ ok: false, reason: 'not-found' })
    await removeAssistant(two.services, id, other)
    expect(await helpWith(db, id)).toEqual({ invite: null, assistants: [] })
  })
})

describe('a class code that has got about', () => {
  it('opens nothing once there is another, and the work stays whose it was', async () => {
    const { db } = two.connection
    const before = (await classWithStudents(db, two.school.classId)).code
    const after = await newCode(db, two.school.classId)
    expect(after).toMatch(/^[A-Z0-9]{6}$/)
    expect(after).not.toBe(before)
    expect(await db.selectFrom('classes').select('id').where('code', '=', before).executeTakeFirst()).toBeUndefined()
  })
})

describe('what is changed of a list by hand', () => {
  it("is one student's name, preferred name or level, and never somebody else's name", async () => {
    const id = await newClass('By hand')
    await takeList(two.services, id, {
      students: [
        { name: 'Ada', level: 'low' },
        { name: 'Bo', level: 'high' },
      ],
      missing: 'stay',
    })
    const [ada] = await studentsOf(id)
    expect(await changeStudent(two.services, id, ada!.id, { name: 'bo' })).toEqual({ ok: false, reason: 'taken' })
    expect(await changeStudent(two.services, id, two.school.slates[0]!.student, { name: 'Cy' })).toEqual({
      ok: false,
      reason: 'not-found',
    })
    expect(
      await changeStudent(two.services, id, ada!.id, { name: 'ADA', preferred: 'Addie', level: 'middle' }),
    ).toEqual({ ok: true, value: null })
    const page = await classWithStudents(two.connection.db, id)
    expect(page.students[0]).toMatchObject({ name: 'ADA', preferred: 'Addie', level: 'middle' })
    // Levels stay in the order that the teacher gives them.
    expect(page.levels).toEqual(['high', 'low', 'middle'])
    expect(await orderLevels(two.connection.db, id, ['low', 'middle', 'high'])).toBe(true)
    expect(await orderLevels(two.connection.db, id, ['low', 'middle'])).toBe(false)
    expect(await orderLevels(two.connection.db, id, ['low', 'low', 'high'])).toBe(false)
    await changeStudent(two.services, id, ada!.id, { preferred: '', level: '' })
    expect(await classWithStudents(two.connection.db, id)).toMatchObject({
      levels: ['low', 'middle', 'high'],
      students: [{ preferred: null, level: null }, {}],
    })
  })
})
