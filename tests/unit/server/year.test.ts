import { afterAll, beforeAll, expect, it } from 'vitest'
import type { Services } from '../../../server/services'
import { handBack, handIn } from '../../../server/usecases/openness'
import { saveReview } from '../../../server/usecases/review'
import { classYear, studentYear } from '../../../server/usecases/year'
import { keyedShore, middleOf, pieceId } from '../../boards'
import { twoProcesses, type TwoProcesses } from '../../lesson'
import { markHere } from '../../markHere'

let two: TwoProcesses
const board = { ...keyedShore(), subject: 'Science', tags: ['shore'] }
const marking = markHere()
const services = () => ({ ...two.services, marking }) as unknown as Services
beforeAll(async () => {
  two = await twoProcesses(board, 3)
  for (const [i, place] of ['z0', 'z1'].entries()) {
    const { id, student } = two.school.slates[i]!
    const move = { kind: 'put' as const, piece: pieceId('c0'), ...middleOf(board, place) }
    await two.submit(id, two.as(student), [{ id: `year-${i}-xxxx`, move }])
  }
})
afterAll(() => two.close())

it('a student’s year has what is theirs, beside the class as a whole, and no other name', async () => {
  const { classId, slates, teacher } = two.school
  const [own, other] = slates
  const names = await two.connection.db.selectFrom('students').select(['id', 'name']).execute()
  const nameOf = (id: string) => names.find(one => one.id === id)!.name
  const yearOf = async (student: string) => (await studentYear(services(), { classId, student }))!
  const comment = 'Well seen'
  await saveReview(services(), own!.id, teacher, { comment })
  // What isn't handed back isn't said yet.
  expect((await yearOf(own!.student)).works).toMatchObject([
    { comment: '', status: 'under-way', tags: ['Science', 'shore'] },
  ])
  await handIn(two.services, own!.id, own!.student)
  await handBack(two.services, own!.id)
  const year = await yearOf(own!.student)
  expect(year.name).toBe(nameOf(own!.student))
  expect(year.works).toMatchObject([{ comment, status: 'handed-back', group: null, points: null }])
  const [mine, theirs] = [year.works[0]!.share!, (await yearOf(other!.student)).works[0]!.share!]
  expect(mine).toBeGreaterThan(theirs)
  expect(year.works[0]!.classMean).toBeCloseTo((mine + theirs) / 2, 10)
  const text = JSON.stringify(year)
  for (const { student } of slates.slice(1)) expect(text).not.toContain(nameOf(student))
  // Who did nothing has nothing that can be said.
  expect((await yearOf(slates[2]!.student)).works).toMatchObject([{ share: null, status: 'not-opened' }])
  expect(await classYear(services(), classId)).toMatchObject([
    { tags: ['Science', 'shore'], share: (mine + theirs) / 2 },
  ])
})

it('nobody is found in a class that isn’t theirs, and a class without handouts has an empty year', async () => {
  const none = '11111111-1111-4111-8111-111111111111'
  const { classId, slates } = two.school
  expect(await studentYear(services(), { classId: none, student: slates[0]!.student })).toBeNull()
  expect(await studentYear(services(), { classId, student: none })).toBeNull()
  expect(await classYear(services(), none)).toEqual([])
})
