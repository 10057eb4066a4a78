import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import * as v from 'valibot'
import { BoardSchema } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import type { Services } from '../../../server/services'
import { alsoRight, answersOn, decideOn } from '../../../server/usecases/answers'
import { handIn } from '../../../server/usecases/openness'
import { reviewOf, saveReview } from '../../../server/usecases/review'
import { reviewLineOf } from '../../../server/usecases/reviewLine'
import { keyedShore, middleOf, pieceId } from '../../boards'
import { said, twoProcesses, type TwoProcesses } from '../../lesson'
import { markHere } from '../../markHere'

let two: TwoProcesses
const board = keyedShore()
const ITEM = 'k/c0'
let made = 0
const lay = async (i: number, piece: string, place: string) => {
  const { id, student } = two.school.slates[i]!
  const move = { kind: 'put' as const, piece: pieceId(piece), ...middleOf(board, place) }
  expect(said(await two.submit(id, two.as(student), [{ id: `laid-${made++}-xxxx`, move }]))[0]).toEqual(
    expect.any(Number),
  )
}
beforeAll(async () => {
  two = await twoProcesses(board, 5)
  await lay(0, 'c0', 'z0')
  await lay(1, 'c0', 'z1')
  await lay(2, 'c0', 'z1')
  await lay(3, 'c0', 'z2')
})
afterAll(() => two.close())
const services = () => ({ ...two.services, marking: markHere() }) as unknown as Services
const ids = () => two.school.slates.map(slate => slate.id)
const answers = async () =>
  (await answersOn(services(), two.school.handout, ITEM)).answers.map(one => [
    ids().indexOf(one.slate),
    one.mark.verdict,
    one.decided,
  ])

describe('one item across all students', () => {
  it('is what each did about it; whoever did nothing is left out', async () => {
    expect((await answers()).toSorted()).toEqual([
      [0, 'right', null],
      [1, 'wrong', null],
      [2, 'wrong', null],
      [3, 'wrong', null],
    ])
    expect((await answersOn(services(), two.school.handout, 'k/none')).answers).toEqual([])
  })

  it('is decided on for some at once, without touching what else was decided, and on no slate of another handout', async () => {
    const [, one, other] = ids()
    const nothing = { comment: 'Good', points: null, levels: {} }
    await saveReview(services(), one!, two.school.teacher, { ...nothing, decisions: { 'k/c1': 'right' } })
    const { handout, teacher } = two.school
    expect(await decideOn(services(), handout, teacher, { item: ITEM, verdict: 'right', slates: [one!, other!] })).toBe(
      2,
    )
    expect(await reviewOf(two.connection.db, one!)).toMatchObject({
      decisions: { 'k/c1': 'right', [ITEM]: 'right' },
      comment: 'Good',
    })
    expect(await reviewOf(two.connection.db, other!)).toMatchObject({ decisions: { [ITEM]: 'right' } })
    expect(await decideOn(services(), handout, teacher, { item: ITEM, verdict: null, slates: [one!, other!] })).toBe(2)
    expect((await reviewOf(two.connection.db, one!)).decisions).toEqual({ 'k/c1': 'right' })
    const none = '11111111-1111-4111-8111-111111111111'
    expect(await decideOn(services(), none, teacher, { item: ITEM, verdict: 'right', slates: [one!] })).toBe(0)
    expect((await reviewOf(two.connection.db, one!)).decisions).toEqual({ 'k/c1': 'right' })
  })

  it('makes no slate one that was reviewed', async () => {
    const slate = two.school.slates[2]!
    await handIn(two.services, slate.id, slate.student)
    const { handout, teacher } = two.school
    await decideOn(services(), handout, teacher, { item: ITEM, verdict: 'wrong', slates: [slate.id] })
    const inLine = async () => (await reviewLineOf(services(), handout)).find(one => one.id === slate.id)!
    expect(await inLine()).toMatchObject({ status: 'handed-in', reviewed: false })
    await saveReview(services(), slate.id, teacher, { decisions: { [ITEM]: null } })
    expect(await inLine()).toMatchObject({ reviewed: true })
  })

  it('is right as well for all, after it was said who changes: the slates lie over the new key and are marked anew', async () => {
    const { handout } = two.school
    const ask = (i: number, apply: boolean) => alsoRight(services(), handout, { item: ITEM, slate: ids()[i]!, apply })
    expect(await ask(0, true)).toEqual({ ok: false, reason: 'one-answer' })
    expect(await ask(4, true)).toEqual({ ok: false, reason: 'not-found' })
    const preview = await ask(1, false)
    // The goby counts for both, and what was decided on the barnacle of the one.
    const changes = preview.ok ? preview.value.changes : []
    expect(changes.map(one => [ids().indexOf(one.slate), one.before, one.after]).toSorted()).toEqual([
      [1, 2, 3],
      [2, 1, 2],
    ])
    // Nothing was done so far.
    expect((await answers()).filter(([, verdict]) => verdict === 'right')).toHaveLength(1)
    expect((await ask(1, true)).ok).toBe(true)
    expect((await answers()).toSorted()).toEqual([
      [0, 'right', null],
      [1, 'right', null],
      [2, 'right', null],
      [3, 'wrong', null],
    ])
    const shelf = await two.connection.db.selectFrom('boards').select('document').executeTakeFirstOrThrow()
    expect(makeEdition(shelf.document).board.keys).toEqual(board.keys)
  })

  it('is right on the shelf too where that is asked for, and said where it can’t be', async () => {
    const { handout } = two.school
    const { db } = two.connection
    const [, , , wrong] = ids()
    const ask = { item: ITEM, slate: wrong!, apply: true, shelf: true }
    const shelf = () => db.selectFrom('boards').select(['document', 'version']).executeTakeFirstOrThrow()
    const before = await shelf()
    expect(await alsoRight(services(), handout, ask)).toMatchObject({ ok: true, value: { onShelf: true } })
    const after = await shelf()
    expect(after.version).toBe(before.version + 1)
    expect(after.document.keys).not.toEqual(before.document.keys)
    expect(v.is(BoardSchema, after.document)).toBe(true)
  })
})
