import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openSlatesOf, type OpenSlate } from '../../../server/sync/openSlates'
import { shore } from '../../boards'
import { frameWith, listener, moreStudents, twoProcesses, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
beforeAll(async () => {
  two = await twoProcesses(shore(), 2)
})
afterAll(() => two.close())

const openNow = () => openSlatesOf(two.connection.db, two.school.handout)
const device = (id: string, open: OpenSlate[]) => ({ ...listener(id, randomUUID()), open: () => open })
const ofStudent = (i: number): OpenSlate => {
  const { id: slate, student } = two.school.slates[i]!
  return { slate, student }
}

describe('who has a slate open', () => {
  it('is known from any process, until the last of their devices has gone', async () => {
    const [here, there] = two.engines
    const ada = ofStudent(0)
    const [tablet, phone, elsewhere] = ['tablet', 'phone', 'elsewhere'].map(id => device(id, [ada]))
    here.hub.join(tablet!)
    here.open.note(ada)
    await here.open.write()
    expect(await openNow()).toEqual({ [ada.slate]: [ada.student] })
    here.hub.join(phone!)
    there.hub.join(elsewhere!)
    here.hub.leave(tablet!)
    here.open.note(ada)
    await here.open.write()
    expect(await openNow()).toEqual({ [ada.slate]: [ada.student] })
    here.hub.leave(phone!)
    here.open.note(ada)
    await here.open.write()
    expect(await openNow()).toEqual({})
    // What one process has taken away the other says again.
    await there.see()
    expect(await openNow()).toEqual({ [ada.slate]: [ada.student] })
    there.hub.leave(elsewhere!)
    there.open.note(ada)
    await there.open.write()
    expect(await openNow()).toEqual({})
  })

  it('is said of one who has it open in two windows, as of one', async () => {
    const [here] = two.engines
    const ada = ofStudent(0)
    const windows = ['first', 'second'].map(id => device(id, [ada, { ...ada }]))
    for (const one of windows) here.hub.join(one)
    await here.see()
    expect(await openNow()).toEqual({ [ada.slate]: [ada.student] })
    for (const one of windows) here.hub.leave(one)
    here.open.note(ada)
    await here.open.write()
    expect(await openNow()).toEqual({})
  })

  it('is not believed for long without being said again', async () => {
    const [here] = two.engines
    const bo = ofStudent(1)
    const tablet = device('tablet', [bo])
    here.hub.join(tablet)
    await here.see()
    await two.connection.pool.query(`update slates_open set seen_at = now() - interval '2 minutes'`)
    expect(await openNow()).toEqual({})
    await here.see()
    expect(await openNow()).toEqual({ [bo.slate]: [bo.student] })
    here.hub.leave(tablet)
    here.open.note(bo)
    await here.open.write()
  })

  it('is nobody who has no hand on it any more', async () => {
    const [here] = two.engines
    const [first, second] = await moreStudents(two, 2)
    const { frame } = await frameWith(two, [{ student: first! }, { student: second! }])
    await two.connection.pool.query(
      'update slate_members set until_at = now() where slate_id = $1 and student_id = $2',
      [frame, second],
    )
    const both = [first!, second!].map(student => ({ slate: frame, student }))
    const tablets = device('tablets', both)
    here.hub.join(tablets)
    await here.see()
    expect(await openNow()).toEqual({ [frame]: [first] })
    here.hub.leave(tablets)
    both.forEach(one => here.open.note(one))
    await here.open.write()
    expect(await openNow()).toEqual({})
  })
})
