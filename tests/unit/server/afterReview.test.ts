import { afterAll, beforeAll, expect, it } from 'vitest'
import type { Services } from '../../../server/services'
import { findingsOn } from '../../../server/usecases/findings'
import { handBackFor } from '../../../server/usecases/handBack'
import { handBack, handIn } from '../../../server/usecases/openness'
import { saveReview } from '../../../server/usecases/review'
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
  expect(again.before?.slates).toEqual([id])
  expect(again.before?.points[0]![again.before.items.findIndex(item => item.item === 'c0')]).toBe(0)
  expect(again.scores.points[again.slates.findIndex(s => s.slate === id)]![at]).toBe(1)
})

it('what is handed in goes back for all or for some, and nothing else does', async () => {
  const { handout, slates } = two.school
  const status = async () =>
    (await two.connection.db.selectFrom('slates').select(['id', 'status']).execute()).toSorted((a, b) =>
      a.id < b.id ? -1 : 1,
    )
  for (const { id, student } of slates) await handIn(two.services, id, student)
  const [first, second] = slates
  const none = '11111111-1111-4111-8111-111111111111'
  expect(await handBackFor(two.services, none, { again: false, some: undefined })).toBe(0)
  expect(await handBackFor(two.services, handout, { again: false, some: [first!.id] })).toBe(1)
  expect((await status()).filter(one => one.status === 'handed-back').map(one => one.id)).toEqual([first!.id])
  expect(await handBackFor(two.services, handout, { again: true, some: [first!.id, second!.id] })).toBe(1)
  expect((await status()).find(one => one.id === second!.id)?.status).toBe('under-way')
  expect(await handBackFor(two.services, handout, { again: false, some: undefined })).toBe(1)
  expect(await handBackFor(two.services, handout, { again: false, some: undefined })).toBe(0)
})
