import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createClass, takeList, type ListToTake } from '../../../server/usecases/classes'
import { classWithStudents } from '../../../server/usecases/classReading'
import { COPY_EACH } from '../../../core/handout/settings'
import { giveOutWithin, giveToMore } from '../../../server/usecases/giveOut'
import { placeMember } from '../../../server/usecases/members'
import { shareOutLoose } from '../../../server/usecases/shareOut'
import { keepSet } from '../../../server/usecases/groups'
import { shore } from '../../boards'
import { put, said, twoProcesses, type TwoProcesses } from '../../lesson'

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

describe('giving out to groups, some, or everyone', () => {
  const give = (classId: string, more: object, to: object = {}) =>
    two.connection.db
      .transaction()
      .execute(trx => giveOutWithin(trx, two.school.board, { classId, ...to }, { ...COPY_EACH, ...more }))
  async function given(classId: string, more: object, to: object = {}): Promise<string> {
    const done = await give(classId, more, to)
    if (!done.ok) throw new Error(done.reason)
    return done.value.id
  }
  const peopleOf = (handout: string) =>
    two.connection.db
      .selectFrom('slate_members')
      .innerJoin('slates', 'slates.id', 'slate_members.slate_id')
      .select([
        'slates.id',
        'slates.name',
        'slates.kind',
        'slate_members.student_id as student',
        'slate_members.hand',
        'slate_members.part',
      ])
      .where('slate_members.handout_id', '=', handout)
      .where('slate_members.until_at', 'is', null)
      .orderBy('slates.name')
      .orderBy('slate_members.hand')
      .execute()
  async function grouped(
    name: string,
    sizes: readonly number[],
  ): Promise<{ classId: string; set: string; students: string[] }> {
    const classId = await newClass(name)
    await takeList(
      two.services,
      classId,
      list(
        Array.from({ length: sizes.reduce((a, b) => a + b) + 1 }, (_, i) => `Student ${String.fromCharCode(65 + i)}`),
      ),
    )
    const students = (await studentsOf(classId)).map(s => s.id)
    let at = 0
    const groups = sizes.map((size, i) => ({
      name: `Group ${i + 1}`,
      mark: 'oak',
      students: students.slice(at, (at += size)),
    }))
    const kept = await two.connection.db.transaction().execute(trx => keepSet(trx, classId, { name: 'Lab', groups }))
    if (!kept.ok) throw new Error(kept.reason)
    return { classId, set: kept.value.id, students }
  }

  it('makes a frame for each group that has somebody, with its members, and nothing for who is in none', async () => {
    const {
      classId,
      set,
      students: [a, b, c, , e],
    } = await grouped('Frames', [2, 2, 0])
    const people = await peopleOf(await given(classId, { mode: 'frame-per-group' }, { set }))
    expect(people.map(p => [p.name, p.kind, p.hand, p.part])).toEqual([
      ['Group 1', 'frame', 1, null],
      ['Group 1', 'frame', 2, null],
      ['Group 2', 'frame', 1, null],
      ['Group 2', 'frame', 2, null],
    ])
    expect(people.map(p => p.student)).toEqual(expect.arrayContaining([a, b, c]))
    expect(people.map(p => p.student)).not.toContain(e)
  })
  it('is refused without groups, with nobody in them, and for students of another class', async () => {
    const { classId, set } = await grouped('Refused', [0])
    expect(await give(classId, { mode: 'frame-per-group' })).toEqual({ ok: false, reason: 'not-found' })
    expect(await give(classId, { mode: 'frame-per-group' }, { set })).toEqual({ ok: false, reason: 'empty-set' })
    expect(await give(classId, {}, { students: [two.school.slates[0]!.student] })).toEqual({
      ok: false,
      reason: 'not-found',
    })
    expect(
      await two.connection.db.selectFrom('handouts').select('id').where('class_id', '=', classId).execute(),
    ).toEqual([])
  })
  it('to some students gives nothing to the others, nor to who comes later', async () => {
    const {
      classId,
      students: [a, b],
    } = await grouped('Some', [2])
    const handout = await given(classId, {}, { students: [a!] })
    await takeList(two.services, classId, list(['Late Comer']))
    expect((await peopleOf(handout)).map(p => p.student)).toEqual([a])
    expect(b).toBeDefined()
  })
  it('one for everyone is one slate, of those who come later too, each with a hand of their own', async () => {
    const { classId } = await grouped('Everyone', [2])
    const handout = await given(classId, { mode: 'one-for-everyone' })
    for (const late of ['Late Comer', 'Later Still']) await takeList(two.services, classId, list([late]))
    const people = await peopleOf(handout)
    expect(new Set(people.map(p => p.id)).size).toBe(1)
    expect(people.map(p => p.hand)).toEqual([1, 2, 3, 4, 5])
  })
  it('moves a student between frames while both work: nothing lost, nothing doubled, in one frame always', async () => {
    const {
      classId,
      set,
      students: [a, b, c],
    } = await grouped('Moved', [2, 1])
    const handout = await given(classId, { mode: 'frame-per-group' }, { set })
    const frames = [...new Set((await peopleOf(handout)).map(p => p.id))]
    const moving = two.as(a!)
    const stay = [b!, c!].map(student => ({ ...two.as(student), classId }))
    let accepted = 0
    const working = Promise.all(
      frames.map(async (frame, i) => {
        for (let n = 0; n < 40; n++) {
          const outcomes = [
            ...said(await two.submit(frame, { ...moving, classId } as never, [put('c0', n)], two.engines[n % 2])),
            ...said(await two.submit(frame, stay[i] as never, [put('c1', n)], two.engines[(n + 1) % 2])),
          ]
          accepted += outcomes.filter(outcome => typeof outcome === 'number').length
        }
      }),
    )
    for (let i = 0; i < 10; i++) {
      expect(await placeMember(two.services, handout, a!, frames[(i + 1) % 2]!)).toEqual({ ok: true, value: null })
      expect((await peopleOf(handout)).filter(p => p.student === a)).toHaveLength(1)
    }
    await working
    const moves = await two.connection.db
      .selectFrom('moves')
      .select(['slate_id', 'number', 'id'])
      .where('slate_id', 'in', frames)
      .orderBy('number')
      .execute()
    expect(moves).toHaveLength(accepted)
    expect(new Set(moves.map(m => m.id)).size).toBe(accepted)
    for (const frame of frames)
      expect(moves.filter(m => m.slate_id === frame).map(m => m.number)).toEqual(
        moves.filter(m => m.slate_id === frame).map((_, i) => i + 1),
      )
    expect(await placeMember(two.services, handout, a!, null)).toEqual({ ok: true, value: null })
    expect((await peopleOf(handout)).some(p => p.student === a)).toBe(false)
    expect(await placeMember(two.services, handout, a!, two.school.slates[0]!.id)).toEqual({
      ok: false,
      reason: 'not-found',
    })
  })
  it('shares out who is on no frame by one press, each to one frame, also of two presses at once', async () => {
    const { classId, set } = await grouped('Shared', [1, 1, 1])
    const handout = await given(classId, { mode: 'frame-per-group' }, { set })
    const names = Array.from({ length: 6 }, (_, i) => `Newcomer ${i}`)
    await takeList(two.services, classId, list(names))
    const counts = await Promise.all([
      shareOutLoose(two.services, handout, { by: 'number', size: 8 }),
      shareOutLoose(two.services, handout, { by: 'random', size: 8 }),
    ])
    expect(counts.toSorted()).toEqual([0, expect.any(Number)])
    const people = await peopleOf(handout)
    expect(new Set(people.map(p => p.student)).size).toBe(people.length)
    const sizes = [...new Set(people.map(p => p.id))].map(id => people.filter(p => p.id === id).length)
    expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1)
    expect(await shareOutLoose(two.services, handout, { by: 'size', size: 2 })).toBe(0)
  })
  it('two clicks that place one student on two frames leave them on one', async () => {
    const { classId, set, students } = await grouped('Two clicks', [1, 1])
    const handout = await given(classId, { mode: 'frame-per-group' }, { set })
    const frames = [...new Set((await peopleOf(handout)).map(p => p.id))]
    const loose = students.at(-1)!
    await Promise.all(Array.from({ length: 10 }, (_, i) => placeMember(two.services, handout, loose, frames[i % 2]!)))
    expect((await peopleOf(handout)).filter(p => p.student === loose)).toHaveLength(1)
  })
})

describe('a handout that went to some', () => {
  it('is given to more of the class, to each once, also when it is asked twice at once', async () => {
    const { db } = two.connection
    const id = await newClass('Some first')
    await takeList(two.services, id, list(['Ada', 'Bo', 'Cy']))
    const [ada, bo, cy] = (await studentsOf(id)).map(student => student.id)
    const given = await db
      .transaction()
      .execute(trx => giveOutWithin(trx, two.school.board, { classId: id, students: [ada!] }, COPY_EACH))
    if (!given.ok) throw new Error(given.reason)
    const more = () => giveToMore(two.services, given.value.id, [ada!, bo!])
    expect((await Promise.all([more(), more()])).map(result => result.ok && result.value.slates).toSorted()).toEqual([
      0, 1,
    ])
    expect(await giveToMore(two.services, given.value.id, [two.school.slates[0]!.student])).toEqual({
      ok: false,
      reason: 'not-found',
    })
    expect(
      await db.selectFrom('slate_members').select('student_id').where('handout_id', '=', given.value.id).execute(),
    ).toHaveLength(2)
    // Who comes to the class later isn't given what went to some.
    await takeList(two.services, id, list(['Dee']))
    expect(
      await db
        .selectFrom('slate_members')
        .select('student_id')
        .where('handout_id', '=', given.value.id)
        .where('student_id', '=', cy!)
        .execute(),
    ).toEqual([])
  })
})
