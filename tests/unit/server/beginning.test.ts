import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import * as v from 'valibot'
import { HandoutSettingsSchema } from '../../../core/handout/settings'
import { whoOnSlate } from '../../../server/rights/hold'
import {
  beginningsOf,
  claimFrame,
  framesToTake,
  joinFrame,
  nameSlate,
  ownPage,
} from '../../../server/usecases/beginning'
import { setLeft } from '../../../server/usecases/classes'
import { classesOf, classWithStudents } from '../../../server/usecases/classReading'
import { giveOutWithin } from '../../../server/usecases/giveOut'
import { workOfOthers } from '../../../server/usecases/looking'
import { arrive, joinAsOne, keepAsClass, newcomersClass, setDoor } from '../../../server/usecases/newcomers'
import { changeHandout, handIn, markOpened, switchHandout } from '../../../server/usecases/openness'
import { dropPlan } from '../../../server/usecases/later'
import { walkRound } from '../../../server/usecases/walk'
import type { Services } from '../../../server/services'
import { shore } from '../../boards'
import { put, said, twoProcesses, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
beforeAll(async () => {
  two = await twoProcesses(shore(), 10)
})
afterAll(() => two.close())
const db = () => two.connection.db

async function given(
  settings: v.InferInput<typeof HandoutSettingsSchema>,
  classId = two.school.classId,
): Promise<string> {
  const made = await db()
    .transaction()
    .execute(trx => giveOutWithin(trx, two.school.board, { classId }, v.parse(HandoutSettingsSchema, settings)))
  if (!made.ok) throw new Error(made.reason)
  return made.value.id
}
const frames = (count: number, size: number) => ({
  mode: 'frame-per-group' as const,
  free: { size, frames: Array.from({ length: count }, (_, i) => ({ name: `Frame ${i + 1}`, mark: 'oak' })) },
})
const studentsOf = async (classId = two.school.classId) =>
  await db().selectFrom('students').select(['id', 'name']).where('class_id', '=', classId).orderBy('name').execute()
const value = <T>(result: { ok: true; value: T } | { ok: false; reason: unknown }): T => {
  if (!result.ok) throw new Error(String(result.reason))
  return result.value
}

describe('frames that students take', () => {
  it('give two who take at once two frames, however many do, and each student is on one', async () => {
    const handout = await given(frames(5, 2))
    const students = await studentsOf()
    const { frames: all } = value(await framesToTake(two.services, handout, students[0]!.id))
    // Five pairs, all at once, all for the first; each pair asks twice.
    const pairs = Array.from({ length: 5 }, (_, i) => [students[2 * i]!.id, students[2 * i + 1]!.id] as const)
    const results = await Promise.all(
      pairs.flatMap(([a, b]) =>
        [a, a].map(student => claimFrame(two.services, handout, { student, mates: [b], wanted: all[0]!.id })),
      ),
    )
    expect(results.filter(r => r.ok)).toHaveLength(5)
    expect(results.filter(r => !r.ok).map(r => !r.ok && r.reason)).toEqual(Array(5).fill('elsewhere'))
    expect(new Set(results.flatMap(r => (r.ok ? [r.value.id] : []))).size).toBe(5)
    const members = await db()
      .selectFrom('slate_members')
      .select(['slate_id', 'hand'])
      .where('handout_id', '=', handout)
      .execute()
    expect(members).toHaveLength(10)
    for (const { id } of all)
      expect(
        members
          .filter(m => m.slate_id === id)
          .map(m => m.hand)
          .toSorted(),
      ).toEqual([1, 2])
  })
  it('take no more than they have room for, nobody twice, nobody from elsewhere, and nothing once it is closed', async () => {
    const handout = await given(frames(2, 2))
    const [a, b, c, d] = await studentsOf()
    const none = { mates: [], wanted: null }
    expect(await claimFrame(two.services, handout, { student: a!.id, mates: [b!.id, c!.id], wanted: null })).toEqual({
      ok: false,
      reason: 'too-many',
    })
    expect(
      await claimFrame(two.services, handout, {
        student: a!.id,
        mates: ['00000000-0000-4000-8000-000000000000'],
        wanted: null,
      }),
    ).toEqual({ ok: false, reason: 'not-found' })
    expect(await claimFrame(two.services, two.school.handout, { student: a!.id, ...none })).toEqual({
      ok: false,
      reason: 'not-found',
    })
    const first = value(await claimFrame(two.services, handout, { student: a!.id, ...none }))
    expect(await joinFrame(two.services, handout, b!.id, first.id)).toMatchObject({ ok: true })
    expect(await joinFrame(two.services, handout, c!.id, first.id)).toEqual({ ok: false, reason: 'full' })
    expect(await claimFrame(two.services, handout, { student: c!.id, mates: [b!.id], wanted: null })).toEqual({
      ok: false,
      reason: 'elsewhere',
    })
    await switchHandout(two.services, handout, 'closed_at', true)
    expect(await claimFrame(two.services, handout, { student: d!.id, ...none })).toEqual({
      ok: false,
      reason: 'closed',
    })
    await switchHandout(two.services, handout, 'closed_at', false)
    expect(await claimFrame(two.services, handout, { student: c!.id, mates: [c!.id], wanted: first.id })).toMatchObject(
      { ok: true, value: { name: 'Frame 2' } },
    )
    expect(await claimFrame(two.services, handout, { student: d!.id, ...none })).toEqual({
      ok: false,
      reason: 'none-free',
    })
    expect(value(await framesToTake(two.services, handout, d!.id)).frames.map(f => f.people)).toEqual([
      [a!.name, b!.name],
      [c!.name],
    ])
  })
  it('stand on the desk until one is taken', async () => {
    const handout = await given(frames(1, 3))
    const [a] = await studentsOf()
    expect((await beginningsOf(two.services, a!.id)).find(b => b.handout === handout)).toMatchObject({ begin: 'frame' })
    await claimFrame(two.services, handout, { student: a!.id, mates: [], wanted: null })
    expect((await beginningsOf(two.services, a!.id)).find(b => b.handout === handout)).toBeUndefined()
  })
})

describe('own pages on a class board', () => {
  it('are made when their students come, in their order, and never doubled by many clicks', async () => {
    const handout = await given({ mode: 'one-for-everyone', ownPages: true })
    const [a, b] = await studentsOf()
    const asked = await Promise.all(
      Array.from({ length: 40 }, (_, i) => ownPage(two.services, handout, i % 2 ? a!.id : b!.id)),
    )
    expect(new Set(asked.map(r => value(r).id)).size).toBe(2)
    const rows = await db()
      .selectFrom('slates')
      .select(['kind', 'position'])
      .where('handout_id', '=', handout)
      .orderBy('position')
      .execute()
    expect(rows).toEqual([
      { kind: 'page', position: 1 },
      { kind: 'page', position: 2 },
    ])
    const page = value(await ownPage(two.services, handout, a!.id)).id
    await nameSlate(two.services, page, 'Crabs I saw')
    expect(
      (await walkRound(two.services as Services, handout, { role: 'owner', day: null })).slates.find(
        s => s.id === page,
      ),
    ).toMatchObject({ name: a!.name, heading: 'Crabs I saw' })
    expect(said(await two.submit(page, two.as(a!.id), [put('c0', 10)]))).toEqual([1])
    expect(said(await two.submit(page, two.as(b!.id), [put('c0', 10)]))).toEqual(['not-yours'])
  })
  it("are not to be had of a draft, of a copy each, or of somebody else's class", async () => {
    const handout = await given({ mode: 'one-for-everyone', ownPages: true })
    const [a] = await studentsOf()
    await db().updateTable('handouts').set({ given_at: null }).where('id', '=', handout).execute()
    expect(await ownPage(two.services, handout, a!.id)).toEqual({ ok: false, reason: 'not-found' })
    expect(await ownPage(two.services, two.school.handout, a!.id)).toEqual({ ok: false, reason: 'not-found' })
    expect(await dropPlan(db(), handout)).toMatchObject({
      mode: 'one-for-everyone',
      ownPages: true,
      to: [{ classId: two.school.classId }],
    })
  })
})

describe('looking at what others have made', () => {
  it("is never, always, or once one's own is handed in, as the teacher sets it, also afterwards", async () => {
    const handout = await given({ mode: 'one-for-everyone', ownPages: true, looking: 'after-hand-in' })
    const [a, b, c] = await studentsOf()
    const [pageA, pageB] = [
      value(await ownPage(two.services, handout, a!.id)).id,
      value(await ownPage(two.services, handout, b!.id)).id,
    ]
    const role = async (student: string, slate: string) => (await whoOnSlate(db(), two.as(student), slate)).role
    expect([await role(a!.id, pageA), await role(a!.id, pageB)]).toEqual(['holder', 'class-member'])
    expect(await workOfOthers(two.services, handout, a!.id)).toEqual({ ok: false, reason: 'not-yet' })
    await markOpened(two.services, pageA)
    await handIn(two.services, pageA, a!.id)
    expect([await role(a!.id, pageB), await role(b!.id, pageA), await role(c!.id, pageA)]).toEqual([
      'looker',
      'class-member',
      'class-member',
    ])
    expect(value(await workOfOthers(two.services, handout, a!.id)).slates.map(s => [s.people, s.mine])).toEqual([
      [[a!.name], true],
      [[b!.name], false],
    ])
    await changeHandout(two.services, handout, { looking: 'always' })
    expect([await role(b!.id, pageA), await role(c!.id, pageA)]).toEqual(['looker', 'looker'])
    // Who looks moves nothing.
    expect(said(await two.submit(pageA, two.as(c!.id), [put('c0', 10)]))).toEqual(['not-yours'])
    await changeHandout(two.services, handout, { looking: 'never' })
    expect(await role(a!.id, pageB)).toBe('class-member')
    expect(await workOfOthers(two.services, handout, a!.id)).toEqual({ ok: false, reason: 'never' })
  })
  it('never shows copies, whatever is set, and never the answers', async () => {
    const handout = await given({ mode: 'copy-each', looking: 'always' })
    const [a, b] = await studentsOf()
    const { slate_id } = await db()
      .selectFrom('slate_members')
      .select('slate_id')
      .where('handout_id', '=', handout)
      .where('student_id', '=', a!.id)
      .executeTakeFirstOrThrow()
    expect((await whoOnSlate(db(), two.as(b!.id), slate_id)).role).toBe('class-member')
    expect(value(await workOfOthers(two.services, handout, b!.id)).slates).toEqual([])
    const open = await given({ ...frames(1, 2), looking: 'always' })
    await claimFrame(two.services, open, { student: a!.id, mates: [], wanted: null })
    const seen = value(await workOfOthers(two.services, open, b!.id))
    expect(seen.slates).toHaveLength(1)
    expect(Object.values(seen.boards).every(board => board.keys.length === 0)).toBe(true)
  })
})

describe('whoever comes', () => {
  async function open(settings: v.InferInput<typeof HandoutSettingsSchema> = {}) {
    const classId = await db()
      .transaction()
      .execute(trx => newcomersClass(trx, two.school.teacher, 'Open morning'))
    return { classId: classId!, handout: await given(settings, classId!) }
  }
  it('is in by a name, with a slate at once; two of a name are told apart, forty at once make forty', async () => {
    const { classId, handout } = await open()
    const came = await Promise.all(
      Array.from({ length: 40 }, (_, i) => arrive(two.services, classId, i < 2 ? 'Bo' : `Guest ${i}`)),
    )
    expect(
      came
        .slice(0, 2)
        .map(r => value(r).name)
        .toSorted(),
    ).toEqual(['Bo', 'Bo 2'])
    const slates = await db()
      .selectFrom('slate_members')
      .select('student_id')
      .where('handout_id', '=', handout)
      .execute()
    expect(new Set(slates.map(s => s.student_id)).size).toBe(40)
    expect(slates).toHaveLength(40)
    // It is none of the teacher's classes until it is kept as one.
    expect((await classesOf(db(), two.school.teacher)).map(c => c.id)).not.toContain(classId)
  })
  it('comes no more once the teacher closes, and who is turned away leaves their name free', async () => {
    const { classId, handout } = await open()
    const guest = value(await arrive(two.services, classId, 'Bo'))
    expect(await setLeft(two.services, classId, guest.id, true)).toBe(true)
    expect((await walkRound(two.services as Services, handout, { role: 'owner', day: null })).slates).toEqual([])
    expect(value(await arrive(two.services, classId, 'Bo')).name).toBe('Bo')
    await setLeft(two.services, classId, guest.id, false)
    expect((await studentsOf(classId)).map(s => s.name)).toEqual(['Bo', 'Bo 2'])
    expect(await setDoor(two.services, classId, 'closed')).toBe(true)
    expect(await arrive(two.services, classId, 'Cy')).toEqual({ ok: false, reason: 'closed' })
    expect(await setDoor(two.services, two.school.classId, 'open')).toBe(false)
  })
  it('can be two who are one person: both devices go on as one, and what only the other had is theirs', async () => {
    const { classId } = await open()
    const pages = await given({ mode: 'one-for-everyone', ownPages: true }, classId)
    const [bo, again] = [
      value(await arrive(two.services, classId, 'Bo')),
      value(await arrive(two.services, classId, 'Bo')),
    ]
    const page = value(await ownPage(two.services, pages, again.id)).id
    const { id: session } = await db()
      .insertInto('sessions')
      .values({ student_id: again.id, teacher_id: null, ends_at: new Date(Date.now() + 60_000) })
      .returning('id')
      .executeTakeFirstOrThrow()
    expect(await joinAsOne(two.services, classId, bo.id, bo.id)).toBe(false)
    expect(await joinAsOne(two.services, classId, bo.id, two.school.slates[0]!.student)).toBe(false)
    expect(await joinAsOne(two.services, classId, bo.id, again.id)).toBe(true)
    expect(await db().selectFrom('sessions').select('student_id').where('id', '=', session).executeTakeFirst()).toEqual(
      { student_id: bo.id },
    )
    expect(value(await ownPage(two.services, pages, bo.id)).id).toBe(page)
    expect(said(await two.submit(page, two.as(again.id), [put('c0', 10)]))).toEqual(['not-yours'])
    expect(said(await two.submit(page, two.as(bo.id), [put('c0', 10)]))).toEqual([1])
    expect((await classWithStudents(db(), classId)).students.filter(s => !s.left).map(s => s.name)).toEqual(['Bo'])
  })
  it('can be kept as a class, under a name that no other class has', async () => {
    const { classId } = await open()
    await arrive(two.services, classId, 'Bo')
    expect(await keepAsClass(two.services, classId, 'Class')).toEqual({ ok: false, reason: 'taken' })
    expect(await keepAsClass(two.services, classId, 'Rock-pool club')).toEqual({ ok: true, value: null })
    expect((await classesOf(db(), two.school.teacher)).find(c => c.id === classId)).toMatchObject({
      name: 'Rock-pool club',
      students: 1,
    })
    expect(await arrive(two.services, classId, 'Cy')).toEqual({ ok: false, reason: 'closed' })
  })
})
