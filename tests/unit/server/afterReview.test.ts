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
  expect(await back({})).toEqual({ count: 1, unsaid: 0 })
  expect(await back({})).toEqual({ count: 0, unsaid: 0 })
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
  await db.updateTable('slates').set({ status: 'handed-in', handed_in_at: new Date() }).execute()
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
