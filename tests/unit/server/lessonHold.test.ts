import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { TimerEnd } from '../../../core/lesson/timer'
import type { Jobs } from '../../../server/jobs'
import type { Actor } from '../../../server/rights/actor'
import { handInFor, letGoOn, pencils } from '../../../server/usecases/lesson/hold'
import { lessonForSlate, lessonOf } from '../../../server/usecases/lesson/lesson'
import { endTimer, extendTimer, setTimer, timerOf } from '../../../server/usecases/lesson/timer'
import { handIn, markOpened } from '../../../server/usecases/openness'
import { shore } from '../../boards'
import { frameWith, listener, moreStudents, put, said, twoProcesses, until, type TwoProcesses } from '../../lesson'
import { makeSchool } from '../../school'

let two: TwoProcesses
let putDown: { name: string; when: Date }[] = []
/** Looks at nothing by itself: what is put down is seen, and done when the test says so. */
const jobs: Jobs = {
  at: (_, when, { name }) => Promise.resolve(void putDown.push({ name, when })),
  stop: () => Promise.resolve(),
}
beforeAll(async () => {
  two = await twoProcesses(shore(), 6)
})
afterAll(() => two.close())
beforeEach(async () => {
  putDown = []
  await two.connection.pool.query(
    `update slates set status = 'not-opened', opened_at = null, handed_in_at = null, collected_at = null, paused_at = null;
     update handouts set paused_at = null; delete from timers; delete from reviews`,
  )
})

const services = () => ({ ...two.services, jobs })
const slateAt = (i: number) => two.school.slates[i]!
const move = (i: number) => two.submit(slateAt(i).id, two.as(slateAt(i).student), [put('c0', i)])
const outcome = async (i: number) => said(await move(i))[0]
const taken = async (i: number) => typeof (await outcome(i)) === 'number'
const handout = () => two.school.handout
const statusOf = async (i: number) =>
  (
    await two.connection.db
      .selectFrom('slates')
      .select('status')
      .where('id', '=', slateAt(i).id)
      .executeTakeFirstOrThrow()
  ).status
const timer = (seconds: number, atEnd: TimerEnd = 'nothing', onSlates = true) => ({
  seconds,
  countdown: 10,
  atEnd,
  onSlates,
})

describe('pencils', () => {
  it('are down for some and up for the others, and for nobody of another handout', async () => {
    const other = await makeSchool(two.connection.db, shore(), 1, 'other@ternhaven.example')
    await pencils(two.services, handout(), { down: true, slates: [slateAt(0).id, slateAt(1).id, other.slates[0]!.id] })
    expect([await outcome(0), await outcome(1), await taken(2)]).toEqual(['paused', 'paused', true])
    const [foreign] = other.slates
    expect(said(await two.submit(foreign!.id, two.as(foreign!.student), [put('c0', 1)]))).toEqual([1])
    await pencils(two.services, handout(), { down: false, slates: [slateAt(0).id] })
    expect([await taken(0), await outcome(1)]).toEqual([true, 'paused'])
  })

  it('are up for some who go on while they stay down for the others; up for all is up for everybody', async () => {
    await pencils(two.services, handout(), { down: true })
    await pencils(two.services, handout(), { down: false, slates: [slateAt(0).id] })
    expect([await taken(0), await outcome(1), await outcome(2)]).toEqual([true, 'paused', 'paused'])
    await pencils(two.services, handout(), { down: false, slates: [slateAt(1).id] })
    expect([await taken(0), await taken(1), await outcome(2)]).toEqual([true, true, 'paused'])
    await pencils(two.services, handout(), { down: false })
    expect([await taken(0), await taken(1), await taken(2)]).toEqual([true, true, true])
  })

  it('are down for students, and not for those who lead the lesson', async () => {
    const { frame, people } = await frameWith(two, [{ student: (await moreStudents(two, 1))[0]! }])
    await pencils(two.services, handout(), { down: true })
    const after = async (who: Actor) => said(await two.submit(frame, who, [put('c0', 40)]))[0]
    expect(await after(people[0]!)).toBe('paused')
    // By what is known of the slate, and under its lock.
    expect(await after(two.owner)).toBe(1)
    expect(await after(two.owner)).toBe(2)
    expect(await after(people[0]!)).toBe('paused')
  })

  it('of two teachers at once end as one of them said, everywhere alike', async () => {
    const [one, other] = two.engines.map(engine => ({ db: two.connection.db, wire: engine.wire }))
    for (let round = 0; round < 10; round++) {
      await Promise.all([
        pencils(one!, handout(), { down: round % 2 === 0 }),
        pencils(other!, handout(), { down: round % 2 === 1 }),
      ])
      const { paused } = await lessonOf(two.connection.db, handout())
      expect(new Set(await Promise.all([0, 1, 2].map(outcome)).then(all => all.map(o => o === 'paused')))).toEqual(
        new Set([paused]),
      )
    }
  })

  it('are told at once to everybody who follows a slate or all of them, in both processes, once each', async () => {
    const [student, walker] = [listener('student'), listener('walker')]
    two.engines[0].hub.followSlate(student, slateAt(0).id)
    two.engines[1].hub.followHandout(walker, handout())
    await pencils(two.services, handout(), { down: true })
    const lessons = (l: typeof student) => l.heard.filter(m => m.say === 'lesson')
    const paused = (l: typeof student) => l.heard.some(m => m.say === 'status' && m.openness.paused)
    await until(() => [student, walker].every(l => lessons(l).length > 0 && paused(l)))
    expect([student, walker].map(l => lessons(l))).toEqual(
      [student, walker].map(() => [{ say: 'lesson', handout: handout() }]),
    )
    two.engines.forEach((e, i) => e.hub.leave([student, walker][i]!))
  })
})

describe('handing in for all', () => {
  it('takes what is under way; what comes later waits until they go on, and is there then', async () => {
    for (const i of [0, 1, 2]) await move(i)
    await handIn(two.services, slateAt(2).id, slateAt(2).student)
    expect(await handInFor(two.services, handout())).toBe(2)
    expect(await Promise.all([0, 1, 2, 3].map(statusOf))).toEqual(['handed-in', 'handed-in', 'handed-in', 'not-opened'])
    expect([await outcome(0), await outcome(2)]).toEqual(['collected', 'handed-in'])
    expect(await handInFor(two.services, handout())).toBe(0)
    // What a student has handed in stays handed in.
    expect(await letGoOn(two.services, handout())).toBe(2)
    expect([await taken(0), await taken(1), await outcome(2)]).toEqual([true, true, 'handed-in'])
  })

  it('takes some alone, and lets nobody go on whose review has begun', async () => {
    for (const i of [0, 1, 2]) await move(i)
    expect(await handInFor(two.services, handout(), [slateAt(0).id, slateAt(1).id])).toBe(2)
    expect(await taken(2)).toBe(true)
    await two.connection.pool.query(`insert into reviews (slate_id, teacher_id) values ($1, $2)`, [
      slateAt(0).id,
      two.school.teacher,
    ])
    expect(await letGoOn(two.services, handout())).toBe(1)
    expect([await outcome(0), await taken(1)]).toEqual(['collected', true])
  })

  it('stands in one order with moves: what was taken before counts, nothing after', async () => {
    await move(0)
    let last = 0
    let stop = false
    const working = (async () => {
      while (!stop) {
        const now = await outcome(0)
        if (typeof now === 'number') last = now
        else expect(now).toBe('collected')
      }
    })()
    await until(() => last > 10)
    await handInFor(two.services, handout())
    const { last_number } = await two.connection.db
      .selectFrom('slates')
      .select('last_number')
      .where('id', '=', slateAt(0).id)
      .executeTakeFirstOrThrow()
    stop = true
    await working
    expect(last).toBeLessThanOrEqual(last_number)
    expect(await outcome(0)).toBe('collected')
    expect((await two.stateOf(slateAt(0).id))!.number).toBe(last_number)
  })
})

describe('a timer', () => {
  // Just before midnight, so that it runs over it.
  const start = new Date('2099-03-14T23:58:00Z')
  const after = (seconds: number) => new Date(start.getTime() + seconds * 1000)

  it('runs over midnight, is told by what is left, and is put down as a job for when this process is gone', async () => {
    await setTimer(services(), handout(), timer(300), start)
    expect(await timerOf(two.connection.db, handout(), after(200))).toEqual({
      left: 100_000,
      countdown: 10,
      atEnd: 'nothing',
      onSlates: true,
    })
    expect((await timerOf(two.connection.db, handout(), after(400)))?.left).toBe(0)
    expect(putDown).toEqual([{ name: 'end-timer', when: after(300) }])
    await setTimer(services(), handout(), null, start)
    expect(await timerOf(two.connection.db, handout())).toBeNull()
  })

  it('shows on slates only where it is meant to', async () => {
    await setTimer(services(), handout(), timer(300, 'nothing', false))
    expect(await lessonForSlate(two.connection.db, slateAt(0).id)).toEqual({
      timer: null,
      jar: false,
      call: null,
      nudges: [],
    })
    expect((await lessonOf(two.connection.db, handout())).timer).not.toBeNull()
    await setTimer(services(), handout(), timer(300))
    expect((await lessonForSlate(two.connection.db, slateAt(0).id)).timer?.left).toBeGreaterThan(0)
  })

  it('ends once, however many ask, and not before its time', async () => {
    await setTimer(services(), handout(), timer(60, 'pencils-down'), start)
    expect(await endTimer(two.services, handout(), after(59))).toBe(false)
    expect(await taken(0)).toBe(true)
    const ends = await Promise.all(
      Array.from({ length: 6 }, (_, i) =>
        endTimer({ db: two.connection.db, wire: two.engines[i % 2]!.wire }, handout(), after(60)),
      ),
    )
    expect(ends.filter(Boolean)).toHaveLength(1)
    expect(await outcome(0)).toBe('paused')
    // Pencils that the teacher takes up again stay up.
    await pencils(two.services, handout(), { down: false })
    expect(await endTimer(two.services, handout(), after(61))).toBe(false)
    expect(await taken(0)).toBe(true)
  })

  it('with a minute more ends a minute later; of one that is over, pencils are up for that minute', async () => {
    await setTimer(services(), handout(), timer(60, 'pencils-down'), start)
    expect(await extendTimer(services(), handout(), 60, after(30))).toBe(true)
    expect(await endTimer(two.services, handout(), after(60))).toBe(false)
    expect(await endTimer(two.services, handout(), after(120))).toBe(true)
    expect(await outcome(0)).toBe('paused')
    expect(await extendTimer(services(), handout(), 60, after(150))).toBe(true)
    expect(await taken(0)).toBe(true)
    expect((await timerOf(two.connection.db, handout(), after(150)))?.left).toBe(60_000)
    expect(await endTimer(two.services, handout(), after(210))).toBe(true)
    expect(await outcome(0)).toBe('paused')
    await setTimer(services(), handout(), null)
    expect(await extendTimer(services(), handout(), 60)).toBe(false)
  })

  it('hands in at its end, to the second, by the process in which it was set', async () => {
    await move(0)
    await markOpened(two.services, slateAt(1).id)
    await setTimer(services(), handout(), timer(1, 'hand-in'))
    await expect.poll(() => statusOf(0), { timeout: 10_000 }).toBe('handed-in')
    expect(await statusOf(1)).toBe('handed-in')
    expect(await statusOf(2)).toBe('not-opened')
  })
})
