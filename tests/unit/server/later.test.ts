import { sql } from 'kysely'
import ical from 'node-ical'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { COPY_EACH } from '../../../core/handout/settings'
import { alone } from '../../../server/database/alone'
import { startJobs, type Jobs } from '../../../server/jobs'
import { calendarOf } from '../../../server/papers/calendar'
import { takeList } from '../../../server/usecases/classes'
import { carryOut, dropPlan, planHandout } from '../../../server/usecases/later'
import { shore } from '../../boards'
import { twoProcesses, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
beforeAll(async () => {
  two = await twoProcesses(shore(), 3)
})
afterAll(() => two.close())

const db = () => two.connection.db
/** Jobs that are only put down. */
function put(): Jobs & { down: Date[] } {
  const down: Date[] = []
  return { down, at: async (_, when) => void down.push(when), stop: async () => {} }
}
const NOW = new Date('2026-03-20T12:00:00Z')
const plan = (jobs: Jobs, when: { day: string; time?: string } | null, now: Date | null = NOW) =>
  db()
    .transaction()
    .execute(trx =>
      planHandout(trx, jobs, {
        board: two.school.board,
        to: { classId: two.school.classId },
        settings: COPY_EACH,
        when,
        ...(now && { now }),
      }),
    )
async function planned(jobs: Jobs, when: { day: string; time?: string } | null): Promise<string> {
  const made = await plan(jobs, when)
  if (!made.ok) throw new Error(made.reason)
  return made.value.id
}
const slatesOf = async (handout: string) =>
  (await db().selectFrom('slates').select('id').where('handout_id', '=', handout).execute()).length
const rowOf = (handout: string) =>
  db().selectFrom('handouts').select(['given_at', 'gives_at', 'hindered']).where('id', '=', handout).executeTakeFirst()

describe('giving out later', () => {
  it('is put down for the moment where the class is, on both sides of the change of the clocks', async () => {
    const jobs = put()
    for (const day of ['2026-03-28', '2026-03-30']) await planned(jobs, { day, time: '08:00' })
    expect(jobs.down.map(at => at.toISOString())).toEqual(['2026-03-28T08:00:00.000Z', '2026-03-30T07:00:00.000Z'])
    expect(await plan(jobs, { day: '2026-03-20', time: '11:59' })).toEqual({ ok: false, reason: 'past' })
    const due = { ...COPY_EACH, due: { day: '2026-03-29' } }
    expect(
      await db()
        .transaction()
        .execute(trx =>
          planHandout(trx, jobs, {
            board: two.school.board,
            to: { classId: two.school.classId },
            settings: due,
            when: { day: '2026-03-30' },
            now: NOW,
          }),
        ),
    ).toEqual({ ok: false, reason: 'due-before' })
  })
  it('a draft has no time, is given out by hand once, and can be dropped before and not after', async () => {
    const jobs = put()
    const [draft, other] = [await planned(jobs, null), await planned(jobs, null)]
    expect([jobs.down, await slatesOf(draft)]).toEqual([[], 0])
    expect(await carryOut(db(), draft)).toEqual({ ok: false, reason: 'waits' })
    const results = await Promise.all(Array.from({ length: 6 }, () => carryOut(db(), draft, true)))
    expect(results.filter(r => r.ok)).toEqual([{ ok: true, value: { slates: 3 } }])
    expect([
      await slatesOf(draft),
      await dropPlan(db(), draft),
      await dropPlan(db(), other),
      await rowOf(other),
    ]).toMatchObject([3, null, { mode: 'copy-each', to: [{ classId: two.school.classId }] }, undefined])
  })
  it('comes late joiners too, and says what hindered it when the class is empty', async () => {
    const handout = await planned(put(), { day: '2026-03-21' })
    await takeList(two.services, two.school.classId, { students: [{ name: 'Late Comer' }], missing: 'stay' })
    expect(await slatesOf(handout)).toBe(0)
    await db().updateTable('students').set({ left_at: new Date() }).where('class_id', '=', two.school.classId).execute()
    await db()
      .updateTable('handouts')
      .set({ gives_at: new Date(Date.now() - 1000) })
      .where('id', '=', handout)
      .execute()
    expect(await carryOut(db(), handout)).toEqual({ ok: false, reason: 'no-students' })
    expect(await rowOf(handout)).toMatchObject({ given_at: null, gives_at: null, hindered: 'no-students' })
    await db().updateTable('students').set({ left_at: null }).where('class_id', '=', two.school.classId).execute()
    expect(await carryOut(db(), handout, true)).toEqual({ ok: true, value: { slates: 4 } })
    expect(await rowOf(handout)).toMatchObject({ hindered: null })
    expect(await carryOut(db(), '00000000-0000-4000-8000-000000000000')).toEqual({ ok: false, reason: 'gone' })
  })
  it('is done once by two processes that look for work, also when one was started after it was put down', async () => {
    const first = await startJobs({ ...two.connection, wire: two.services.wire, engine: two.services.engine })
    const handout = await db()
      .transaction()
      .execute(async trx => {
        const made = await planHandout(trx, put(), {
          board: two.school.board,
          to: { classId: two.school.classId },
          settings: COPY_EACH,
          when: { day: '2026-03-21' },
          now: NOW,
        })
        if (!made.ok) throw new Error(made.reason)
        const soon = new Date(Date.now() + 300)
        await trx.updateTable('handouts').set({ gives_at: soon }).where('id', '=', made.value.id).execute()
        for (let i = 0; i < 3; i++) await first.at(trx, soon, { name: 'give-out', about: made.value.id })
        return made.value.id
      })
    const second = await startJobs({ ...two.connection, wire: two.services.wire, engine: two.services.engine })
    await expect.poll(async () => (await rowOf(handout))?.given_at, { timeout: 20_000 }).not.toBeNull()
    await Promise.all([first.stop(), second.stop()])
    expect(await slatesOf(handout)).toBe(4)
  }, 40_000)
})

describe('a job', () => {
  it('is due by the database’s clock, however wrong that of the process is', async () => {
    const handout = await planned(put(), { day: '2026-03-21' })
    vi.useFakeTimers({ now: Date.now() - 3_600_000, toFake: ['Date'] })
    try {
      await db()
        .updateTable('handouts')
        .set({ gives_at: sql`clock_timestamp()` })
        .where('id', '=', handout)
        .execute()
      expect(await carryOut(db(), handout)).toMatchObject({ ok: true })
      expect(await plan(put(), { day: '2026-03-21' }, null)).toEqual({ ok: false, reason: 'past' })
    } finally {
      vi.useRealTimers()
    }
  })

  it('of a process that died is taken over by another in seconds, and not while somebody is at it', async () => {
    const [dead, held] = [await planned(put(), { day: '2026-03-21' }), await planned(put(), { day: '2026-03-22' })]
    const first = await startJobs({ ...two.connection, wire: two.services.wire, engine: two.services.engine })
    await db()
      .transaction()
      .execute(async trx => {
        for (const about of [dead, held])
          await first.at(trx, new Date(Date.now() + 60_000), { name: 'give-out', about })
        // As they are when they were fetched, and nothing was heard since.
        await sql`update jobs.job set state = 'active', started_on = now() - interval '1 minute'
          where name = 'give-out' and data->>'about' in (${dead}, ${held})`.execute(trx)
        await trx
          .updateTable('handouts')
          .set({ gives_at: sql`clock_timestamp()` })
          .where('id', 'in', [dead, held])
          .execute()
      })
    const stateOf = async (about: string) =>
      (await sql<{ state: string }>`select state from jobs.job where data->>'about' = ${about}`.execute(db())).rows[0]
        ?.state
    let end: () => void = () => {}
    const atIt = alone(db(), `give-out ${held}`, () => new Promise<void>(done => (end = done)))
    await expect.poll(() => stateOf(dead), { timeout: 20_000 }).toBe('completed')
    expect(await slatesOf(dead)).toBeGreaterThan(0)
    expect([await slatesOf(held), await stateOf(held)]).toEqual([0, 'active'])
    end()
    await atIt
    await expect.poll(() => stateOf(held), { timeout: 20_000 }).toBe('completed')
    expect(await slatesOf(held)).toBeGreaterThan(0)
    await first.stop()
  }, 60_000)
})

describe('due days as a calendar', () => {
  const made = new Date('2026-03-01T10:00:00Z')
  it('are read by another library as they were meant', () => {
    const text = calendarOf([
      { id: 'a', title: 'How do they hold on? (Year 5/6)', due: { day: '2026-03-29' }, zone: 'Europe/London', made },
      {
        id: 'b',
        title: 'Beats, words; "quoted"',
        due: { day: '2026-03-30', time: '08:15' },
        zone: 'Europe/London',
        made,
      },
    ])
    const events = Object.values(ical.sync.parseICS(text)).filter(entry => entry?.type === 'VEVENT') as ical.VEvent[]
    expect(events.map(event => event.summary)).toEqual(['How do they hold on? (Year 5/6)', 'Beats, words; "quoted"'])
    expect(events[0]!.datetype).toBe('date')
    expect([events[0]!.start.getFullYear(), events[0]!.start.getMonth(), events[0]!.start.getDate()]).toEqual([
      2026, 2, 29,
    ])
    expect(events[1]!.start.toISOString()).toBe('2026-03-30T07:15:00.000Z')
    // RFC 5545, 3.1: lines end with CR LF and are no longer than 75 octets.
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
  })
  it('of nothing are an empty calendar', () => {
    expect(Object.values(ical.sync.parseICS(calendarOf([]))).filter(entry => entry?.type === 'VEVENT')).toEqual([])
  })
})
