import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import * as v from 'valibot'
import { RubricSchema } from '../../../core/handout/counting'
import { HandoutSettingsSchema, RecipientSchema } from '../../../core/handout/settings'
import { whoOnSlate } from '../../../server/rights/hold'
import { changeVersion, correctHandout, previewHandout } from '../../../server/usecases/editions'
import { beginningsOf, claimFrame, framesToTake, joinFrame, nameSlate, ownPage } from '../../../server/usecases/beginning'
import { classesOf, classWithStudents, setLeft } from '../../../server/usecases/classes'
import { giveOutWithin } from '../../../server/usecases/giveOut'
import { workOfOthers } from '../../../server/usecases/looking'
import { arrive, joinAsOne, keepAsClass, newcomersClass, setDoor } from '../../../server/usecases/newcomers'
import { changeHandout, handIn, markOpened, switchHandout } from '../../../server/usecases/openness'
import { dropPlan } from '../../../server/usecases/later'
import { reviewOf, saveReview } from '../../../server/usecases/review'
import { dropRubric, keepRubric, rubricsOf } from '../../../server/usecases/rubrics'
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

async function given(settings: v.InferInput<typeof HandoutSettingsSchema>, classId = two.school.classId): Promise<string> {
  const made = await db().transaction().execute(trx => giveOutWithin(trx, two.school.board, { classId }, v.parse(HandoutSettingsSchema, settings)))
  if (!made.ok) throw new Error(made.reason)
  return made.value.id
}
const frames = (count: number, size: number) => ({ mode: 'frame-per-group' as const, free: { size, frames: Array.from({ length: count }, (_, i) => ({ name: `Frame ${i + 1}`, mark: 'oak' })) } })
const studentsOf = async (classId = two.school.classId) => (await db().selectFrom('students').select(['id', 'name']).where('class_id', '=', classId).orderBy('name').execute())
const value = <T>(result: { ok: true, value: T } | { ok: false, reason: unknown }): T => {
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
    const results = await Promise.all(pairs.flatMap(([a, b]) => [a, a].map(student => claimFrame(two.services, handout, { student, mates: [b], wanted: all[0]!.id }))))
    expect(results.filter(r => r.ok)).toHaveLength(5)
    expect(results.filter(r => !r.ok).map(r => !r.ok && r.reason)).toEqual(Array(5).fill('elsewhere'))
    expect(new Set(results.flatMap(r => r.ok ? [r.value.id] : [])).size).toBe(5)
    const members = await db().selectFrom('slate_members').select(['slate_id', 'hand']).where('handout_id', '=', handout).execute()
    expect(members).toHaveLength(10)
    for (const { id } of all) expect(members.filter(m => m.slate_id === id).map(m => m.hand).toSorted()).toEqual([1, 2])
  })
  it('take no more than they have room for, nobody twice, nobody from elsewhere, and nothing once it is closed', async () => {
    const handout = await given(frames(2, 2))
    const [a, b, c, d] = await studentsOf()
    const none = { mates: [], wanted: null }
    expect(await claimFrame(two.services, handout, { student: a!.id, mates: [b!.id, c!.id], wanted: null })).toEqual({ ok: false, reason: 'too-many' })
    expect(await claimFrame(two.services, handout, { student: a!.id, mates: ['00000000-0000-4000-8000-000000000000'], wanted: null })).toEqual({ ok: false, reason: 'not-found' })
    expect(await claimFrame(two.services, two.school.handout, { student: a!.id, ...none })).toEqual({ ok: false, reason: 'not-found' })
    const first = value(await claimFrame(two.services, handout, { student: a!.id, ...none }))
    expect(await joinFrame(two.services, handout, b!.id, first.id)).toMatchObject({ ok: true })
    expect(await joinFrame(two.services, handout, c!.id, first.id)).toEqual({ ok: false, reason: 'full' })
    expect(await claimFrame(two.services, handout, { student: c!.id, mates: [b!.id], wanted: null })).toEqual({ ok: false, reason: 'elsewhere' })
    await switchHandout(two.services, handout, 'closed_at', true)
    expect(await claimFrame(two.services, handout, { student: d!.id, ...none })).toEqual({ ok: false, reason: 'closed' })
    await switchHandout(two.services, handout, 'closed_at', false)
    expect(await claimFrame(two.services, handout, { student: c!.id, mates: [c!.id], wanted: first.id })).toMatchObject({ ok: true, value: { name: 'Frame 2' } })
    expect(await claimFrame(two.services, handout, { student: d!.id, ...none })).toEqual({ ok: false, reason: 'none-free' })
    expect(value(await framesToTake(two.services, handout, d!.id)).frames.map(f => f.people)).toEqual([[a!.name, b!.name], [c!.name]])
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
    const asked = await Promise.all(Array.from({ length: 40 }, (_, i) => ownPage(two.services, handout, i % 2 ? a!.id : b!.id)))
    expect(new Set(asked.map(r => value(r).id)).size).toBe(2)
    const rows = await db().selectFrom('slates').select(['kind', 'position']).where('handout_id', '=', handout).orderBy('position').execute()
    expect(rows).toEqual([{ kind: 'page', position: 1 }, { kind: 'page', position: 2 }])
    const page = value(await ownPage(two.services, handout, a!.id)).id
    await nameSlate(two.services, page, 'Crabs I saw')
    expect((await walkRound(two.services as Services, handout, 'owner')).slates.find(s => s.id === page)).toMatchObject({ name: a!.name, heading: 'Crabs I saw' })
    expect(said(await two.submit(page, two.as(a!.id), [put('c0', 10)]))).toEqual([1])
    expect(said(await two.submit(page, two.as(b!.id), [put('c0', 10)]))).toEqual(['not-yours'])
  })
  it('are not to be had of a draft, of a copy each, or of somebody else\'s class', async () => {
    const handout = await given({ mode: 'one-for-everyone', ownPages: true })
    const [a] = await studentsOf()
    await db().updateTable('handouts').set({ given_at: null }).where('id', '=', handout).execute()
    expect(await ownPage(two.services, handout, a!.id)).toEqual({ ok: false, reason: 'not-found' })
    expect(await ownPage(two.services, two.school.handout, a!.id)).toEqual({ ok: false, reason: 'not-found' })
    expect(await dropPlan(db(), handout)).toMatchObject({ mode: 'one-for-everyone', ownPages: true, to: [{ classId: two.school.classId }] })
  })
})

describe('looking at what others have made', () => {
  it('is never, always, or once one\'s own is handed in, as the teacher sets it, also afterwards', async () => {
    const handout = await given({ mode: 'one-for-everyone', ownPages: true, looking: 'after-hand-in' })
    const [a, b, c] = await studentsOf()
    const [pageA, pageB] = [value(await ownPage(two.services, handout, a!.id)).id, value(await ownPage(two.services, handout, b!.id)).id]
    const role = async (student: string, slate: string) => (await whoOnSlate(db(), two.as(student), slate)).role
    expect([await role(a!.id, pageA), await role(a!.id, pageB)]).toEqual(['holder', 'class-member'])
    expect(await workOfOthers(two.services, handout, a!.id)).toEqual({ ok: false, reason: 'not-yet' })
    await markOpened(two.services, pageA)
    await handIn(two.services, pageA, a!.id)
    expect([await role(a!.id, pageB), await role(b!.id, pageA), await role(c!.id, pageA)]).toEqual(['looker', 'class-member', 'class-member'])
    expect(value(await workOfOthers(two.services, handout, a!.id)).slates.map(s => [s.people, s.mine])).toEqual([[[a!.name], true], [[b!.name], false]])
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
    const { slate_id } = await db().selectFrom('slate_members').select('slate_id').where('handout_id', '=', handout).where('student_id', '=', a!.id).executeTakeFirstOrThrow()
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
    const classId = await db().transaction().execute(trx => newcomersClass(trx, two.school.teacher, 'Open morning'))
    return { classId: classId!, handout: await given(settings, classId!) }
  }
  it('is in by a name, with a slate at once; two of a name are told apart, forty at once make forty', async () => {
    const { classId, handout } = await open()
    const came = await Promise.all(Array.from({ length: 40 }, (_, i) => arrive(two.services, classId, i < 2 ? 'Bo' : `Guest ${i}`)))
    expect(came.slice(0, 2).map(r => value(r).name).toSorted()).toEqual(['Bo', 'Bo 2'])
    const slates = await db().selectFrom('slate_members').select('student_id').where('handout_id', '=', handout).execute()
    expect(new Set(slates.map(s => s.student_id)).size).toBe(40)
    expect(slates).toHaveLength(40)
    // It is none of the teacher's classes until it is kept as one.
    expect((await classesOf(db(), two.school.teacher)).map(c => c.id)).not.toContain(classId)
  })
  it('comes no more once the teacher closes, and who is turned away leaves their name free', async () => {
    const { classId, handout } = await open()
    const guest = value(await arrive(two.services, classId, 'Bo'))
    expect(await setLeft(two.services, classId, guest.id, true)).toBe(true)
    expect((await walkRound(two.services as Services, handout, 'owner')).slates).toEqual([])
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
    const [bo, again] = [value(await arrive(two.services, classId, 'Bo')), value(await arrive(two.services, classId, 'Bo'))]
    const page = value(await ownPage(two.services, pages, again.id)).id
    const { id: session } = await db().insertInto('sessions').values({ student_id: again.id, teacher_id: null, ends_at: new Date(Date.now() + 60_000) }).returning('id').executeTakeFirstOrThrow()
    expect(await joinAsOne(two.services, classId, bo.id, bo.id)).toBe(false)
    expect(await joinAsOne(two.services, classId, bo.id, two.school.slates[0]!.student)).toBe(false)
    expect(await joinAsOne(two.services, classId, bo.id, again.id)).toBe(true)
    expect(await db().selectFrom('sessions').select('student_id').where('id', '=', session).executeTakeFirst()).toEqual({ student_id: bo.id })
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
    expect((await classesOf(db(), two.school.teacher)).find(c => c.id === classId)).toMatchObject({ name: 'Rock-pool club', students: 1 })
    expect(await arrive(two.services, classId, 'Cy')).toEqual({ ok: false, reason: 'closed' })
  })
})

describe('versions for some', () => {
  const editionOf = async (student: string, handout: string) => {
    const row = await db().selectFrom('slate_members').innerJoin('slates', 'slates.id', 'slate_members.slate_id').innerJoin('editions', 'editions.hash', 'slates.edition_hash')
      .select(['slates.id', 'slates.version', 'editions.document']).where('slate_members.handout_id', '=', handout).where('slate_members.student_id', '=', student).executeTakeFirstOrThrow()
    return { id: row.id, version: row.version, pieces: row.document.pages.flatMap(page => page.pieces.map(piece => piece.id as string)) }
  }
  async function withVersions(): Promise<{ handout: string, few: string, other: string, rest: string }> {
    const [a, b, c] = await studentsOf()
    const { id: board } = await db().insertInto('boards').values({ teacher_id: two.school.teacher, title: 'Other', document: JSON.stringify({ ...shore(), title: 'Other' }), updated_at: new Date() }).returning('id').executeTakeFirstOrThrow()
    const to = v.parse(RecipientSchema, { classId: two.school.classId, versions: [
      { name: 'Fewer cards', without: { pieces: ['c0', 'c1'] }, students: [a!.id] }, { name: 'Another', board, students: [b!.id] },
    ] })
    const made = await db().transaction().execute(trx => giveOutWithin(trx, two.school.board, to, v.parse(HandoutSettingsSchema, {})))
    return { handout: value(made).id, few: a!.id, other: b!.id, rest: c!.id }
  }
  it('lie under the slates of those students, and what everybody gets under all others, also of who comes late', async () => {
    const { handout, few, other, rest } = await withVersions()
    const all = shore().pages[0]!.pieces.map(piece => piece.id as string)
    expect(await editionOf(few, handout)).toMatchObject({ version: 1, pieces: all.filter(id => id !== 'c0' && id !== 'c1') })
    expect(await editionOf(other, handout)).toMatchObject({ version: 2 })
    expect(await editionOf(rest, handout)).toMatchObject({ version: null, pieces: all })
    expect(said(await two.submit((await editionOf(few, handout)).id, two.as(few), [put('c0', 10)]))).toEqual(['unknown-piece'])
  })
  it('stay what they are when the board is corrected, and can be changed for one student in the middle of work', async () => {
    const { handout, few, rest } = await withVersions()
    const slate = (await editionOf(few, handout)).id
    expect(said(await two.submit(slate, two.as(few), [put('c2', 10)]))).toEqual([1])
    const { document } = await db().selectFrom('boards').select('document').where('id', '=', two.school.board).executeTakeFirstOrThrow()
    await db().updateTable('boards').set({ document: JSON.stringify({ ...document, instructions: 'Corrected' }) }).where('id', '=', two.school.board).execute()
    expect(await previewHandout(two.services, handout)).toMatchObject({ upToDate: false, touched: [] })
    await correctHandout(two.services, handout)
    expect(await previewHandout(two.services, handout)).toMatchObject({ upToDate: true })
    expect((await editionOf(few, handout)).pieces).not.toContain('c0')
    expect(await changeVersion(two.services, handout, slate, null)).toEqual({ ok: true, value: null })
    expect(await editionOf(few, handout)).toMatchObject({ version: null, pieces: (await editionOf(rest, handout)).pieces })
    expect(Object.keys((await two.stateOf(slate))!.state.pieces)).toEqual(['c2'])
    expect(await changeVersion(two.services, handout, slate, 3)).toEqual({ ok: false, reason: 'not-found' })
    expect(await changeVersion(two.services, two.school.handout, slate, null)).toEqual({ ok: false, reason: 'not-found' })
  })
  it('are never another teacher\'s board, and never nothing', async () => {
    const { id: stranger } = await db().insertInto('teachers').values({ email: 'stranger@ternhaven.example', name: 'S', password_hash: 'none' }).returning('id').executeTakeFirstOrThrow()
    const { id: board } = await db().insertInto('boards').values({ teacher_id: stranger, title: 'Theirs', document: JSON.stringify(shore()), updated_at: new Date() }).returning('id').executeTakeFirstOrThrow()
    const refused = async (version: object) => {
      const to = v.parse(RecipientSchema, { classId: two.school.classId, versions: [{ name: 'No', students: [], ...version }] })
      let reason: unknown
      await db().transaction().execute(async (trx) => {
        const made = await giveOutWithin(trx, two.school.board, to, v.parse(HandoutSettingsSchema, {}))
        reason = made.ok ? 'given' : made.reason
        throw new Error('not kept')
      }).catch(() => {})
      return reason
    }
    expect(await refused({ board })).toBe('not-found')
    expect(await refused({ without: { pages: shore().pages.map(page => page.id), pieces: [] } })).toBe('nothing-left')
  })
})

describe('what a handout counts for', () => {
  const rubric = { name: 'Explains', criteria: [{ name: 'Reasons', levels: [{ name: 'None' }, { name: 'Some' }] }] }
  const slateIn = async (handout: string) => (await db().selectFrom('slates').select('id').where('handout_id', '=', handout).limit(1).executeTakeFirstOrThrow()).id
  const nothing = { decisions: {}, comment: '', points: null, levels: {} }
  it('bounds what a review can give', async () => {
    const save = async (handout: string, more: object) => (await saveReview(two.services, await slateIn(handout), two.school.teacher, { ...nothing, ...more })).ok
    const [points, judged, free] = [await given({ counting: { counts: 'points', points: 10 } }), await given({ counting: { counts: 'rubric', rubric } }), await given({})]
    expect([await save(points, { points: 7.5 }), await save(points, { points: 10.5 }), await save(points, { levels: { 0: 1 } })]).toEqual([true, false, false])
    expect([await save(judged, { levels: { 0: 1 } }), await save(judged, { levels: { 0: 2 } }), await save(judged, { points: 1 })]).toEqual([true, false, false])
    expect([await save(free, {}), await save(free, { points: 0 })]).toEqual([true, false])
    expect(await reviewOf(db(), await slateIn(points))).toMatchObject({ points: 7.5, levels: {} })
    expect(await reviewOf(db(), await slateIn(judged))).toMatchObject({ points: null, levels: { 0: 1 } })
  })
  it('stays as it was given out when the rubric is changed or gone', async () => {
    const handout = await given({ counting: { counts: 'rubric', rubric } })
    const kept = v.parse(RubricSchema, rubric)
    const id = value(await keepRubric(db(), two.school.teacher, kept)).id
    const changed = { ...kept, criteria: [{ ...kept.criteria[0]!, name: 'Other' }] }
    expect(value(await keepRubric(db(), two.school.teacher, changed)).id).toBe(id)
    expect(await rubricsOf(db(), two.school.teacher)).toEqual([{ id, ...changed }])
    expect(await dropRubric(db(), two.school.teacher, id)).toBe(true)
    expect(await dropRubric(db(), two.school.teacher, id)).toBe(false)
    expect(await db().selectFrom('handouts').select('rubric').where('id', '=', handout).executeTakeFirst()).toMatchObject({ rubric: kept })
  })
})
