import { sql } from 'kysely'
import { afterAll, beforeAll, expect, it } from 'vitest'
import type { KeyMark } from '../../../core/keys/outcome'
import { outcomesForReview } from '../../../server/usecases/outcomes'
import type { Services } from '../../../server/services'
import { findingsOn } from '../../../server/usecases/findings'
import type { ReviewChange } from '../../../core/handout/review'
import type { Due } from '../../../core/handout/settings'
import {
  dropHandBack,
  handBackDue,
  handBackFor,
  handBackLater,
  handingBackOf,
  type HandingBack,
} from '../../../server/usecases/handBack'
import { handBack, handIn } from '../../../server/usecases/openness'
import { commentOn, reviewOf, saveReview } from '../../../server/usecases/review'
import { feedbackFor } from '../../../server/usecases/slates'
import { beginAgain } from '../../../server/usecases/tries'
import { keyedShore, middleOf, pieceId } from '../../boards'
import { said, twoProcesses, type TwoProcesses } from '../../lesson'
import { markHere } from '../../markHere'

let two: TwoProcesses
const board = keyedShore()
const marking = markHere()
const services = () => ({ ...two.services, marking }) as unknown as Services
let made = 0
const lay = async (i: number, piece: string, place: string) => {
  const { id, student } = two.school.slates[i]!
  const move = { kind: 'put' as const, piece: pieceId(piece), ...middleOf(board, place) }
  expect(said(await two.submit(id, two.as(student), [{ id: `find-${made++}-xxxx`, move }]))[0]).toEqual(
    expect.any(Number),
  )
}
beforeAll(async () => {
  two = await twoProcesses(board, 3)
})
afterAll(() => two.close())

it('findings come from all slates on which something was done, with the teacher’s word and the first tries', async () => {
  const { handout, teacher, slates } = two.school
  expect(await findingsOn(services(), handout)).toMatchObject({ slates: [], before: null, unmarked: 0 })
  await lay(0, 'c0', 'z1')
  await lay(1, 'c0', 'z1')
  const nothing = { comment: '', points: null, levels: {} }
  await saveReview(services(), slates[1]!.id, teacher, { ...nothing, decisions: { 'k/c0': 'right' } })
  const found = await findingsOn(services(), handout)
  const at = found.scores.items.findIndex(item => item.item === 'c0')
  const verdictOf = (i: number) => found.scores.verdicts[found.slates.findIndex(s => s.slate === slates[i]!.id)]![at]
  expect(found.slates).toHaveLength(2)
  expect([verdictOf(0), verdictOf(1)]).toEqual(['wrong', 'right'])
  expect(found.lies.map(one => one.c0)).toEqual(['z1', 'z1'])
  expect(found.puts.map(({ piece, seconds }) => [piece, seconds])).toEqual([
    ['c0', 0],
    ['c0', 0],
  ])
  expect(found.hints).toEqual({ slates: 0, looks: 0 })

  // Another try: the first is kept beside it.
  const { id, student } = slates[0]!
  await handIn(two.services, id, student)
  await handBack(two.services, id)
  await beginAgain(two.services, id, true)
  await lay(0, 'c0', 'z0')
  const again = await findingsOn(services(), handout)
  const reviewed = await outcomesForReview(services(), id)
  const verdicts = (keys: readonly KeyMark[] | null) =>
    (keys ?? [])
      .flatMap(key => key.items)
      .filter(item => item.item === 'c0')
      .map(item => item.verdict)
  expect(reviewed.ok && [verdicts(reviewed.value.before), verdicts(reviewed.value.keys)]).toEqual([
    ['wrong'],
    ['right'],
  ])
  expect(again.before?.slates).toEqual([id])
  expect(again.before?.points[0]![again.before.items.findIndex(item => item.item === 'c0')]).toBe(0)
  expect(again.scores.points[again.slates.findIndex(s => s.slate === id)]![at]).toBe(1)
})

it('what is handed in goes back for all or for some, and nothing else does', async () => {
  const { handout, teacher, slates } = two.school
  const status = async () =>
    (await two.connection.db.selectFrom('slates').select(['id', 'status']).execute()).toSorted((a, b) =>
      a.id < b.id ? -1 : 1,
    )
  for (const { id, student } of slates) await handIn(two.services, id, student)
  const [first, second] = slates
  const back = (how: Partial<HandingBack>, of = handout) =>
    handBackFor(two.services, of, teacher, { again: false, words: '', slates: null, ...how })
  const none = '11111111-1111-4111-8111-111111111111'
  expect(await back({ slates: null }, none)).toMatchObject({ count: 0 })
  expect(await back({ slates: [first!.id] })).toMatchObject({ count: 1 })
  expect((await status()).filter(one => one.status === 'handed-back').map(one => one.id)).toEqual([first!.id])
  expect(await back({ again: true, slates: [first!.id, second!.id] })).toMatchObject({ count: 1 })
  expect((await status()).find(one => one.id === second!.id)?.status).toBe('under-way')
  expect(await back({})).toEqual({ count: 1, unsaid: 0, failed: 0 })
  expect(await back({})).toEqual({ count: 0, unsaid: 0, failed: 0 })
})

it('a word to several stands under what was said to each, and where there is no room nothing is lost', async () => {
  const { teacher, slates } = two.school
  const [one, other] = slates.map(slate => slate.id)
  const { db } = two.connection
  const nothing = { decisions: {}, points: null, levels: {} }
  await saveReview(services(), one!, teacher, { ...nothing, comment: 'Well seen' })
  await saveReview(services(), other!, teacher, { ...nothing, comment: 'x'.repeat(1990) })
  expect(await commentOn(db, [one!, other!], { teacher, words: 'See you on Friday' })).toBe(1)
  expect((await reviewOf(db, one!)).comment).toBe('Well seen\n\nSee you on Friday')
  expect((await reviewOf(db, other!)).comment).toHaveLength(1990)
  expect(await commentOn(db, [one!], { teacher, words: '' })).toBe(0)
})

it('what is changed in two windows is there afterwards, and only members have words alone', async () => {
  const { teacher, slates } = two.school
  const { id } = slates[2]!
  const save = (change: ReviewChange) => saveReview(services(), id, teacher, change)
  await Promise.all([
    save({ decisions: { 'k/c0': 'right' } }),
    save({ decisions: { 'k/c1': 0.5 }, comment: 'Nearly' }),
    save({ alone: { 'student:1': { points: null, comment: 'You led it' } } }),
  ])
  expect(await reviewOf(two.connection.db, id)).toMatchObject({
    decisions: { 'k/c0': 'right', 'k/c1': 0.5 },
    comment: 'Nearly',
    alone: { 'student:1': { comment: 'You led it' } },
  })
  expect(await save({ alone: { 'student:7': { points: null, comment: 'Who?' } } })).toEqual({
    ok: false,
    reason: 'beyond',
  })
  expect(await save({ alone: { 'student:1': { points: 3, comment: '' } } })).toEqual({ ok: false, reason: 'beyond' })
})

it('goes back at its time, once, with its word; not before, and not when it was dropped', async () => {
  const { handout, slates } = two.school
  const { db } = two.connection
  const put: { when: Date }[] = []
  const jobs = { at: async (_: unknown, when: Date) => void put.push({ when }), stop: async () => {} }
  const later = (when: Due) =>
    handBackLater({ db, jobs }, handout, when, { again: false, words: 'On Friday', slates: null })
  const statuses = async () => (await db.selectFrom('slates').select('status').execute()).map(row => row.status)
  await db
    .updateTable('slates')
    .set({ status: 'handed-in', handed_in_at: new Date(Date.now() - 60_000) })
    .execute()
  expect(await later({ day: '2020-01-01' })).toEqual({ ok: false, reason: 'past' })
  expect(await later({ day: '2099-01-01', time: '07:00' })).toMatchObject({ ok: true })
  expect(put).toHaveLength(1)
  await handBackDue(two.services, handout)
  expect(new Set(await statuses())).toEqual(new Set(['handed-in']))
  await dropHandBack(db, handout)
  expect(await handingBackOf(db, handout)).toBeUndefined()
  await later({ day: '2099-01-01' })
  await db
    .updateTable('hand_backs')
    .set({ at: new Date(Date.now() - 1000) })
    .execute()
  await Promise.all([1, 2, 3].map(() => handBackDue(two.services, handout)))
  expect(new Set(await statuses())).toEqual(new Set(['handed-back']))
  const { comment } = await reviewOf(db, slates[0]!.id)
  expect(comment.split('On Friday')).toHaveLength(2)
})

it('goes back to each once, with its word once, wherever it was broken off; who hands in after its time waits', async () => {
  const { handout, slates } = two.school
  const { db } = two.connection
  const states = async () => {
    const rows = await db
      .selectFrom('slates')
      .leftJoin('reviews', 'reviews.slate_id', 'slates.id')
      .select(['slates.id', 'slates.status', 'reviews.comment'])
      .orderBy('slates.id')
      .execute()
    return rows.map(({ status, comment }) => `${status} ${(comment ?? '').split('Read this').length - 1}`)
  }
  const [at, before, late] = [-60_000, -120_000, -1000].map(ms => new Date(Date.now() + ms)) as [Date, Date, Date]
  const due = { handout_id: handout, at, again: false, words: 'Read this', slates: null }
  const ids = slates.map(slate => slate.id).toSorted()
  const last = ids.at(-1)!
  // The database goes away when the next slate is begun, or at the last moment before it is done.
  const away = () => Object.assign(new Error('gone'), { code: '57P01' })
  /** All of it, with one of its ways to do something replaced. */
  const but = <Whole extends object>(whole: Whole, name: keyof Whole, other: unknown) =>
    new Proxy(whole, {
      get(target, asked) {
        const value: unknown = Reflect.get(target, asked, target)
        return asked === name ? other : typeof value === 'function' ? (value as () => unknown).bind(target) : value
      },
    })
  const broken = (where: 'begun' | 'done', after: number): typeof two.services => {
    let steps = 0
    const counted = <T>(work: () => T): T => {
      if (steps++ === after) throw away()
      return work()
    }
    const { wire } = two.services
    return where === 'begun'
      ? { ...two.services, db: but(db, 'transaction', () => counted(() => db.transaction())) }
      : {
          ...two.services,
          wire: but(wire, 'within', async (...given: Parameters<typeof wire.within>) =>
            counted(() => wire.within(...given)),
          ),
        }
  }
  for (const where of ['begun', 'done'] as const)
    for (let step = 0; step < ids.length - 1; step++) {
      await db.deleteFrom('reviews').execute()
      await db.updateTable('slates').set({ status: 'handed-in', handed_in_at: before }).execute()
      await db.updateTable('slates').set({ handed_in_at: late }).where('id', '=', last).execute()
      await db.insertInto('hand_backs').values(due).execute()
      await expect(handBackDue(broken(where, step), handout)).rejects.toThrow('gone')
      const untouched = Array.from({ length: ids.length - step }, () => 'handed-in 0')
      expect(await states(), `${where} ${step}`).toEqual([
        ...Array.from({ length: step }, () => 'handed-back 1'),
        ...untouched,
      ])
      await handBackDue(two.services, handout)
      expect(await states()).toEqual([...Array.from({ length: ids.length - 1 }, () => 'handed-back 1'), 'handed-in 0'])
      expect(await handingBackOf(db, handout)).toBeUndefined()
    }
})

it('of which one slate can’t go back all others do, and it says so until that one has gone, too', async () => {
  const { handout, slates } = two.school
  const { db } = two.connection
  const [first] = slates.map(slate => slate.id).toSorted()
  const then = new Date(Date.now() - 60_000)
  await db.deleteFrom('reviews').execute()
  await db.updateTable('slates').set({ status: 'handed-in', handed_in_at: then }).execute()
  await db
    .insertInto('hand_backs')
    .values({ handout_id: handout, at: new Date(), again: false, words: 'Well', slates: null })
    .execute()
  await sql`create function refuse_one() returns trigger language plpgsql as $$ begin raise 'not this one'; end $$`.execute(
    db,
  )
  await sql`create trigger refuse_one before update on slates for each row when (old.id = ${sql.lit(first)}::uuid)
    execute function refuse_one()`.execute(db)
  await expect(handBackDue(two.services, handout)).rejects.toThrow('1 slates could not be handed back')
  const waiting = async () =>
    (await db.selectFrom('slates').select('id').where('status', '=', 'handed-in').execute()).map(row => row.id)
  expect(await waiting()).toEqual([first])
  expect((await handingBackOf(db, handout))?.failed_at).toBeInstanceOf(Date)
  // Others that go back by hand don't end what is still to go.
  await handBackFor(two.services, handout, two.school.teacher, { again: false, words: '', slates: [slates[1]!.id] })
  expect(await handingBackOf(db, handout)).toMatchObject({ words: 'Well' })
  await sql`drop trigger refuse_one on slates`.execute(db)
  await sql`drop function refuse_one`.execute(db)
  await handBackDue(two.services, handout)
  expect(await waiting()).toEqual([])
  expect(await handingBackOf(db, handout)).toBeUndefined()
})

it('a student knows what another try gained once it is handed back, and not before', async () => {
  const { id, student } = two.school.slates[0]!
  const { db } = two.connection
  const outcomes = await outcomesForReview(services(), id)
  expect(outcomes.ok && outcomes.value.before).not.toBeNull()
  await db.updateTable('slates').set({ status: 'under-way' }).where('id', '=', id).execute()
  expect(await feedbackFor(services(), id)).toEqual({ ok: false, reason: 'under-way' })
  await handIn(two.services, id, student)
  await handBack(two.services, id)
  const back = await feedbackFor(services(), id)
  expect(back.ok && back.value.gains).toMatchObject({ gained: [{ item: 'c0', is: 'piece' }], lost: [] })
})
