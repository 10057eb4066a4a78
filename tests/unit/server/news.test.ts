import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { postgresWire } from '../../../server/news/postgres'
import { redisWire } from '../../../server/news/redis'
import { decodeNews, encodeNews, type News } from '../../../server/news/news'
import { addMember, endMember } from '../../../server/usecases/members'
import { makeFrame } from '../../../server/usecases/giveOut'
import { changeHandout, handIn, switchHandout } from '../../../server/usecases/openness'
import { endSessions } from '../../../server/usecases/sessions'
import { shore } from '../../boards'
import { listener, put, said, twoProcesses, until, type TwoProcesses } from '../../lesson'
import { startRedis } from '../../redis'

const numbersOf = (l: ReturnType<typeof listener>, slate: string) =>
  l.heard.flatMap(m => (m.say === 'moves' && m.slate === slate ? m.moves.map(x => x.number) : []))

describe.each(['LISTEN and NOTIFY', 'a Redis-compatible server'] as const)('news between two processes by %s', by => {
  let two: TwoProcesses
  let redis: Awaited<ReturnType<typeof startRedis>> | undefined
  beforeAll(async () => {
    redis = by === 'LISTEN and NOTIFY' ? undefined : await startRedis()
    two = await twoProcesses(shore(), 8, redis ? () => redisWire(redis!.url) : postgresWire)
  })
  afterAll(async () => {
    await two.close()
    await redis?.stop()
  })
  const slateAt = (i: number) => two.school.slates[i]!
  const submit = (i: number, envelopes: ReturnType<typeof put>[], engine = two.engines[0]) =>
    two.submit(slateAt(i).id, two.as(slateAt(i).student), envelopes, engine)

  it('reach followers of the slate and of the handout in both, each move once and in order, whichever process it came through', async () => {
    const { id, student } = slateAt(0)
    const [near, far] = [listener('near'), listener('far')]
    two.engines[0].hub.followSlate(near, id)
    two.engines[1].hub.followHandout(far, two.school.handout)
    // What a process tells first may have a gap before it, which whoever follows asks for: from then on there is none.
    await submit(0, [put('c0', 0)], two.engines[1])
    await until(() => [near, far].every(l => numbersOf(l, id).includes(1)))
    for (let i = 1; i < 30; i++) await submit(0, [put('c0', i)], two.engines[i % 3 === 0 ? 1 : 0])
    await until(() => [near, far].every(l => numbersOf(l, id).includes(30)))
    for (const l of [near, far]) expect(numbersOf(l, id)).toEqual(Array.from({ length: 30 }, (_, i) => i + 1))
    await handIn(two.services, id, student)
    await until(() =>
      [near, far].every(l =>
        l.heard.some(m => m.say === 'status' && m.slate === id && m.openness.status === 'handed-in'),
      ),
    )
    two.engines.forEach((e, i) => e.hub.leave([near, far][i]!))
    expect(two.engines.map(e => e.hub.size.slates + e.hub.size.handouts)).toEqual([0, 0])
  })

  it('of moves that race through both from the first on leave a gap before what is told first at most, and none behind it', async () => {
    const { id } = slateAt(3)
    const [near, far] = [listener('near'), listener('far')]
    two.engines[0].hub.followSlate(near, id)
    two.engines[1].hub.followHandout(far, two.school.handout)
    for (let i = 0; i < 10; i++) await submit(3, [put('c0', i)], two.engines[i % 2 === 0 ? 1 : 0])
    await until(() => [near, far].every(l => numbersOf(l, id).includes(10)))
    for (const l of [near, far]) {
      const [first = 0, ...rest] = numbersOf(l, id)
      // The second went through the process of the near one, so that it can't have begun behind it.
      expect(first).toBeLessThanOrEqual(2)
      expect(rest).toEqual(Array.from({ length: 10 - first }, (_, i) => first + i + 1))
    }
    two.engines.forEach((e, i) => e.hub.leave([near, far][i]!))
  })

  it('stop and start every slate of a handout', async () => {
    const far = listener('far')
    two.engines[1].hub.followSlate(far, slateAt(1).id)
    await submit(1, [put('c0', 1)], two.engines[1])
    await switchHandout(two.services, two.school.handout, 'paused_at', true)
    expect(said(await submit(1, [put('c0', 2)], two.engines[1]))).toEqual(['paused'])
    await until(() => far.heard.some(m => m.say === 'status' && m.openness.paused))
    await switchHandout(two.services, two.school.handout, 'paused_at', false)
    expect(said(await submit(1, [put('c0', 2)], two.engines[1]))).toEqual([2])
    await until(() => far.heard.some(m => m.say === 'status' && !m.openness.paused))
    await changeHandout(two.services, two.school.handout, { word: 'Five minutes more' })
    await until(() => far.heard.some(m => m.say === 'words' && m.slate === slateAt(1).id))
    two.engines[1].hub.leave(far)
  })

  it('make those ask again whose slate it may be no longer, and end those whose session has ended', async () => {
    const frame = await makeFrame(two.connection.db, two.school.handout, 'Oak')
    const {
      rows: [student],
    } = await two.connection.pool.query<{ id: string }>(
      `insert into students (class_id, name, picture_password) values ($1, 'New Comer', array['sun', 'cat', 'key']) returning id`,
      [two.school.classId],
    )
    await addMember(two.services, frame, student!.id)
    const {
      rows: [session],
    } = await two.connection.pool.query<{ id: string }>(
      `insert into sessions (student_id, ends_at) values ($1, now() + interval '1 hour') returning id`,
      [student!.id],
    )
    const far = listener('far', session!.id)
    two.engines[1].hub.join(far)
    two.engines[1].hub.followSlate(far, frame)
    await endMember(two.services, frame, student!.id)
    await until(() => far.asked.some(about => (about as { slate?: string }).slate === frame))
    expect(far.over).toBe(false)
    await endSessions(two.services, ends => ends.where('student_id', '=', student!.id))
    await until(() => far.over)
    two.engines[1].hub.leave(far)
  })

  it('that are lost on their way leave nobody there who was signed out', async () => {
    const signedIn = async (until: string) => {
      const { rows } = await two.connection.pool.query<{ id: string }>(
        `insert into sessions (student_id, ends_at) values ($1, now() + $2::interval) returning id`,
        [slateAt(0).student, until],
      )
      return listener(until, rows[0]!.id)
    }
    const [out, over, stays] = [await signedIn('1 hour'), await signedIn('-1 second'), await signedIn('2 hours')]
    const { hub } = two.engines[1]
    for (const one of [out, over, stays]) hub.join(one)
    await two.connection.pool.query('delete from sessions where id = $1', [out.session])
    await hub.lookRound()
    expect([out.over, over.over, stays.over]).toEqual([true, true, false])
    for (const one of [out, over, stays]) hub.leave(one)
  })

  it('are caught up with after what carries them was away', async () => {
    const { id } = slateAt(2)
    const far = listener('cut')
    two.engines[1].hub.join(far)
    two.engines[1].hub.followHandout(far, two.school.handout)
    await submit(2, [put('c0', 1)])
    await until(() => numbersOf(far, id).length > 0)
    if (redis) {
      await redis.stop()
      await submit(2, [put('c0', 2), put('c0', 3)])
      redis = await startRedis(redis.port)
    } else {
      await two.connection.pool.query(
        `select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'dappled-slate news' and datname = current_database()`,
      )
      await submit(2, [put('c0', 2), put('c0', 3)])
    }
    await until(() => numbersOf(far, id).at(-1) === 3)
    expect(numbersOf(far, id)).toEqual([1, 2, 3])
    // Looking round may have found them before what carries news was there again.
    await until(() => far.asked.some(about => Object.keys(about).length === 0))
    two.engines[1].hub.leave(far)
  })
})

describe('news as text', () => {
  const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
  it("come back as they were, and a process doesn't read its own moves", () => {
    const all: News[] = [
      {
        scope: 'moves',
        handout: uuid(1),
        slates: [
          [uuid(2), 7],
          [uuid(3), 1],
        ],
      },
      { scope: 'slate', slate: uuid(2), handout: uuid(1), changed: 'members' },
      { scope: 'handout', handout: uuid(1), changed: 'status' },
      { scope: 'class', class: uuid(4) },
      { scope: 'session', session: uuid(5) },
    ]
    for (const news of all) expect(decodeNews('here', encodeNews('there', news))).toEqual(news)
    expect(decodeNews('here', encodeNews('here', all[0]!))).toBeNull()
    expect(decodeNews('here', encodeNews('here', all[1]!))).toEqual(all[1])
    for (const nonsense of ['', 'x', 'there m', 'there m a b:c', 'there j {', 'there j {}', 'there gap'])
      expect(decodeNews('here', nonsense)).toBeNull()
  })
  it('of a full statement fit into what PostgreSQL takes', () => {
    const slates = Array.from({ length: 150 }, (_, i): [string, number] => [uuid(i), 1_000_000])
    expect(encodeNews('abcdefgh', { scope: 'moves', handout: uuid(1), slates }).length).toBeLessThan(8000)
  })
})
