import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import * as v from 'valibot'
import { RubricSchema } from '../../../core/handout/counting'
import { HandoutSettingsSchema, RecipientSchema } from '../../../core/handout/settings'
import { changeVersion, correctHandout, previewHandout } from '../../../server/usecases/editions'
import { giveOutWithin } from '../../../server/usecases/giveOut'
import { reviewOf, saveReview } from '../../../server/usecases/review'
import { dropRubric, keepRubric, rubricsOf } from '../../../server/usecases/rubrics'
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
const studentsOf = async (classId = two.school.classId) =>
  await db().selectFrom('students').select(['id', 'name']).where('class_id', '=', classId).orderBy('name').execute()
const value = <T>(result: { ok: true; value: T } | { ok: false; reason: unknown }): T => {
  if (!result.ok) throw new Error(String(result.reason))
  return result.value
}

describe('versions for some', () => {
  const editionOf = async (student: string, handout: string) => {
    const row = await db()
      .selectFrom('slate_members')
      .innerJoin('slates', 'slates.id', 'slate_members.slate_id')
      .innerJoin('editions', 'editions.hash', 'slates.edition_hash')
      .select(['slates.id', 'slates.version', 'editions.document'])
      .where('slate_members.handout_id', '=', handout)
      .where('slate_members.student_id', '=', student)
      .executeTakeFirstOrThrow()
    return {
      id: row.id,
      version: row.version,
      pieces: row.document.pages.flatMap(page => page.pieces.map(piece => piece.id as string)),
    }
  }
  async function withVersions(): Promise<{ handout: string; few: string; other: string; rest: string }> {
    const [a, b, c] = await studentsOf()
    const { id: board } = await db()
      .insertInto('boards')
      .values({
        teacher_id: two.school.teacher,
        title: 'Other',
        document: JSON.stringify({ ...shore(), title: 'Other' }),
        updated_at: new Date(),
      })
      .returning('id')
      .executeTakeFirstOrThrow()
    const to = v.parse(RecipientSchema, {
      classId: two.school.classId,
      versions: [
        { name: 'Fewer cards', without: { pieces: ['c0', 'c1'] }, students: [a!.id] },
        { name: 'Another', board, students: [b!.id] },
      ],
    })
    const made = await db()
      .transaction()
      .execute(trx => giveOutWithin(trx, two.school.board, to, v.parse(HandoutSettingsSchema, {})))
    return { handout: value(made).id, few: a!.id, other: b!.id, rest: c!.id }
  }
  it('lie under the slates of those students, and what everybody gets under all others, also of who comes late', async () => {
    const { handout, few, other, rest } = await withVersions()
    const all = shore().pages[0]!.pieces.map(piece => piece.id as string)
    expect(await editionOf(few, handout)).toMatchObject({
      version: 1,
      pieces: all.filter(id => id !== 'c0' && id !== 'c1'),
    })
    expect(await editionOf(other, handout)).toMatchObject({ version: 2 })
    expect(await editionOf(rest, handout)).toMatchObject({ version: null, pieces: all })
    expect(said(await two.submit((await editionOf(few, handout)).id, two.as(few), [put('c0', 10)]))).toEqual([
      'unknown-piece',
    ])
  })
  it('stay what they are when the board is corrected, and can be changed for one student in the middle of work', async () => {
    const { handout, few, rest } = await withVersions()
    const slate = (await editionOf(few, handout)).id
    expect(said(await two.submit(slate, two.as(few), [put('c2', 10)]))).toEqual([1])
    const { document } = await db()
      .selectFrom('boards')
      .select('document')
      .where('id', '=', two.school.board)
      .executeTakeFirstOrThrow()
    await db()
      .updateTable('boards')
      .set({ document: JSON.stringify({ ...document, instructions: 'Corrected' }) })
      .where('id', '=', two.school.board)
      .execute()
    expect(await previewHandout(two.services, handout)).toMatchObject({ upToDate: false, touched: [] })
    await correctHandout(two.services, handout)
    expect(await previewHandout(two.services, handout)).toMatchObject({ upToDate: true })
    expect((await editionOf(few, handout)).pieces).not.toContain('c0')
    expect(await changeVersion(two.services, handout, slate, null)).toEqual({ ok: true, value: null })
    expect(await editionOf(few, handout)).toMatchObject({
      version: null,
      pieces: (await editionOf(rest, handout)).pieces,
    })
    expect(Object.keys((await two.stateOf(slate))!.state.pieces)).toEqual(['c2'])
    expect(await changeVersion(two.services, handout, slate, 3)).toEqual({ ok: false, reason: 'not-found' })
    expect(await changeVersion(two.services, two.school.handout, slate, null)).toEqual({
      ok: false,
      reason: 'not-found',
    })
  })
  it("are never another teacher's board, and never nothing", async () => {
    const { id: stranger } = await db()
      .insertInto('teachers')
      .values({ email: 'stranger@ternhaven.example', name: 'S', password_hash: 'none' })
      .returning('id')
      .executeTakeFirstOrThrow()
    const { id: board } = await db()
      .insertInto('boards')
      .values({ teacher_id: stranger, title: 'Theirs', document: JSON.stringify(shore()), updated_at: new Date() })
      .returning('id')
      .executeTakeFirstOrThrow()
    const refused = async (version: object) => {
      const to = v.parse(RecipientSchema, {
        classId: two.school.classId,
        versions: [{ name: 'No', students: [], ...version }],
      })
      let reason: unknown
      await db()
        .transaction()
        .execute(async trx => {
          const made = await giveOutWithin(trx, two.school.board, to, v.parse(HandoutSettingsSchema, {}))
          reason = made.ok ? 'given' : made.reason
          throw new Error('not kept')
        })
        .catch(() => {})
      return reason
    }
    expect(await refused({ board })).toBe('not-found')
    expect(await refused({ without: { pages: shore().pages.map(page => page.id), pieces: [] } })).toBe('nothing-left')
  })
})

describe('what a handout counts for', () => {
  const rubric = { name: 'Explains', criteria: [{ name: 'Reasons', levels: [{ name: 'None' }, { name: 'Some' }] }] }
  const slateIn = async (handout: string) =>
    (await db().selectFrom('slates').select('id').where('handout_id', '=', handout).limit(1).executeTakeFirstOrThrow())
      .id
  const nothing = { decisions: {}, comment: '', points: null, levels: {} }
  it('bounds what a review can give', async () => {
    const save = async (handout: string, more: object) =>
      (await saveReview(two.services, await slateIn(handout), two.school.teacher, { ...nothing, ...more })).ok
    const [points, judged, free] = [
      await given({ counting: { counts: 'points', points: 10 } }),
      await given({ counting: { counts: 'rubric', rubric } }),
      await given({}),
    ]
    expect([
      await save(points, { points: 7.5 }),
      await save(points, { points: 10.5 }),
      await save(points, { levels: { 0: 1 } }),
    ]).toEqual([true, false, false])
    expect([
      await save(judged, { levels: { 0: 1 } }),
      await save(judged, { levels: { 0: 2 } }),
      await save(judged, { points: 1 }),
    ]).toEqual([true, false, false])
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
    expect(
      await db().selectFrom('handouts').select('rubric').where('id', '=', handout).executeTakeFirst(),
    ).toMatchObject({ rubric: kept })
  })
})
