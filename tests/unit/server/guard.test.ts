import { readdirSync, readFileSync } from 'node:fs'
import { once } from 'node:events'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import WebSocket from 'ws'
import { isAway } from '../../../server/http/errors'
import { nestsDeeper, parseJson } from '../../../server/http/json'
import { limits, tryOnce, type Limits } from '../../../server/http/limits'
import { WaitingLine, Room } from '../../../server/http/room'
import { CONTRACT, type Contract } from '../../../core/contract/contract'
import { ACTIONS, may, RIGHTS, ROLES } from '../../../core/rights/rights'
import type { Services } from '../../../server/services'
import { openSockets } from '../../../server/sockets/socketServer'
import { Allowance } from '../../../server/sync/allowance'
import { giveOut, takeBack } from '../../../server/usecases/giveOut'
import { markOpened } from '../../../server/usecases/openness'
import { shore } from '../../boards'
import { twoProcesses, type TwoProcesses } from '../../lesson'

describe('rights', () => {
  /** Routes that anybody may ask, and those that are about the asker alone. */
  const OPEN = [
    'session.get.ts',
    'session.post.ts',
    'session.delete.ts',
    'teachers.post.ts',
    'join/index.post.ts',
    'join/student.post.ts',
    'join/link.post.ts',
    'join/newcomer.post.ts',
    'teachers/link.post.ts',
    'teachers/password.post.ts',
  ]
  const files = readdirSync('server/api', { recursive: true, encoding: 'utf8' }).filter(f => f.endsWith('.ts'))
  it.each(files)('are asked by %s', file => {
    const source = readFileSync(`server/api/${file}`, 'utf8')
    const agreed = /answering\(\s*'([^']+)'/.exec(source)?.[1] as keyof Contract | undefined
    const asks = agreed
      ? CONTRACT[agreed].who !== 'anybody'
      : /\brequire(?:Right(?:On[A-Z]\w+)?|Somebody|Teacher|Student)\(/.test(source)
    expect(asks).toBe(!OPEN.includes(file))
  })
  it("are a table in which each action is somebody's, and nobody's are none", () => {
    for (const action of ACTIONS) expect(ROLES.some(role => may(role, action))).toBe(true)
    for (const role of ['nobody', 'outsider'] as const) expect(RIGHTS[role]).toEqual([])
    expect(ACTIONS.filter(action => may('other-frame', action))).toEqual(['file.read'])
  })
})

describe('JSON of any origin', () => {
  it('nests as deep as it does, whatever stands in its strings', () => {
    const depth = (value: unknown): number =>
      typeof value === 'object' && value !== null ? 1 + Math.max(0, ...Object.values(value).map(depth)) : 0
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 6 }), value => {
        const text = JSON.stringify(value)
        expect([nestsDeeper(text, depth(value)), depth(value) > 0 && nestsDeeper(text, depth(value) - 1)]).toEqual([
          false,
          depth(value) > 0,
        ])
      }),
    )
    expect(nestsDeeper('"[[[[\\"[[["', 0)).toBe(false)
    expect(parseJson('['.repeat(100_000), 24)).toEqual({ ok: false, reason: 'too-deep' })
    expect(parseJson('{"a": ', 24)).toEqual({ ok: false, reason: 'not-json' })
    expect(parseJson('"unclosed [', 24)).toEqual({ ok: false, reason: 'not-json' })
  })
})

describe("a socket's allowance", () => {
  it('lets a burst pass, slows what is too fast, and ends a flood', () => {
    let now = 0
    const allowance = new Allowance(() => now)
    const said = Array.from({ length: 100 }, () => allowance.spend(100))
    expect(new Set(said)).toEqual(new Set(['fine']))
    const flood = Array.from({ length: 600 }, () => allowance.spend(100))
    expect([flood.includes('too-fast'), flood.at(-1)]).toEqual([true, 'flood'])
    now += 60_000
    expect(allowance.spend(100)).toBe('fine')
    // Large messages cost by their size: so many full ones, and then a pause.
    expect(
      Array.from({ length: 8 }, () => allowance.spend(190_000)).filter(s => s === 'too-fast').length,
    ).toBeGreaterThan(0)
  })
  it.each([
    [70, false],
    [100, true],
    [400, true],
    [5000, true],
  ])('hears %i messages a second for a minute: closed is %s', (rate, closed) => {
    let now = 0
    const allowance = new Allowance(() => now)
    const said = Array.from({ length: rate * 60 }, () => {
      now += 1000 / rate
      return allowance.spend(16)
    })
    expect([said.includes('too-fast'), said.includes('flood')]).toEqual([true, closed])
  })
  it('takes two thousand moves made offline at once', () => {
    const allowance = new Allowance(() => 0)
    const said = Array.from({ length: 4 }, () => {
      const fine = allowance.spend(60_000)
      allowance.spendOn(Array.from({ length: 500 }, () => ({ id: 'x'.repeat(21) })))
      return fine
    })
    expect(said).toEqual(['fine', 'fine', 'fine', 'fine'])
  })
})

describe('what there is only so much of', () => {
  it('is given out and given back', () => {
    const room = new Room(10)
    expect([room.take(6), room.take(6), room.take(0), room.take(4)]).toEqual([true, false, true, true])
    room.giveBack(6)
    expect(room.take(6)).toBe(true)
  })
  it('is waited for in line, and not for ever', async () => {
    const line = new WaitingLine(1, 1)
    let open = () => {}
    const first = line.through(() => new Promise<string>(resolve => (open = () => resolve('first'))))
    const second = line.through(async () => 'second')
    expect(await line.through(async () => 'third')).toBeNull()
    open()
    expect(await Promise.all([first, second])).toEqual(['first', 'second'])
    await expect(
      line.through(async () => {
        throw new Error('x')
      }),
    ).rejects.toThrow('x')
    expect(await line.through(async () => 'again')).toBe('again')
  })
})

describe('an error of the database being away', () => {
  it('is told from one of ours', () => {
    for (const away of [
      { code: 'ECONNREFUSED' },
      { code: '57P01' },
      { code: '53100' },
      { code: '08006' },
      { message: 'Connection terminated unexpectedly' },
      new AggregateError([{ code: 'ECONNREFUSED' }]),
    ])
      expect(isAway(away)).toBe(true)
    for (const ours of [
      { code: '23505' },
      { code: '22P05' },
      new TypeError('x is not a function'),
      null,
      { code: '42601' },
    ])
      expect(isAway(ours)).toBe(false)
  })
})

describe('on a database', () => {
  let two: TwoProcesses
  let all: Limits
  beforeAll(async () => {
    two = await twoProcesses(shore(), 3)
    all = limits(two.connection.pool)
  })
  afterAll(() => two.close())

  it('a burst of guesses passes no limit, and a right one is not counted', async () => {
    let tried = 0
    const guess = (right: boolean, key = 'student-a') =>
      tryOnce({ shut: [{ limiter: all.student, key }] }, async () => {
        tried++
        return right || null
      })
    const burst = await Promise.all(Array.from({ length: 60 }, () => guess(false)))
    expect([tried, burst.filter(r => r === null).length, burst.filter(r => r === 'too-often').length]).toEqual([
      10, 10, 50,
    ])
    for (let i = 0; i < 25; i++) expect(await guess(true, 'student-b')).toBe(true)
  })

  it('beyond a limit that slows, wrong ones wait in line, and a right one passes all the same', async () => {
    const key = 'a school'
    await Promise.all(Array.from({ length: 120 }, () => all.address.consume(key).catch(() => {})))
    const answers = await Promise.all(
      Array.from({ length: 60 }, (_, i) =>
        tryOnce({ slowed: [{ limiter: all.address, key }] }, async () => i === 1 || null),
      ),
    )
    expect(answers[1]).toBe(true)
    expect(answers.filter(a => a === 'too-often').length).toBeLessThanOrEqual(20)
  })

  it('what is counted may be of any length, and longer things are told apart, too', async () => {
    const { signIn } = limits(two.connection.pool)
    const address = (end: string) => `${'a'.repeat(240)}@${end}`
    for (let i = 0; i < 8; i++) await signIn.consume(address('one'))
    await expect(signIn.consume(address('one'))).rejects.toMatchObject({ remainingPoints: 0 })
    expect(await signIn.consume(address('two'))).toMatchObject({ remainingPoints: 7 })
  })

  it('a socket ends when its session runs out, and not before', async () => {
    const server = createServer().listen(0, '127.0.0.1')
    await once(server, 'listening')
    const sessions = { soon: new Date(Date.now() + 150), later: new Date(Date.now() + 60_000) }
    const sockets = openSockets(
      server,
      async () => two.services as Services,
      async ({ headers }) => ({
        actor: { ...two.owner, session: headers.session as string },
        until: sessions[headers.session as keyof typeof sessions],
      }),
    )
    const open = async (session: keyof typeof sessions) => {
      const socket = new WebSocket(`ws://127.0.0.1:${(server.address() as AddressInfo).port}/socket`, {
        headers: { session },
      })
      await once(socket, 'open')
      return socket
    }
    const later = await open('later')
    const soon = await open('soon')
    const [told] = (await once(soon, 'message')) as [Buffer]
    expect(JSON.parse(String(told))).toMatchObject({ say: 'refused', code: 'signed-out' })
    expect((await once(soon, 'close'))[0]).toBe(4401)
    expect(later.readyState).toBe(WebSocket.OPEN)
    later.terminate()
    await sockets.close()
    server.close()
  })

  it('a handout is taken back while nobody has opened it, and not after', async () => {
    const { db } = two.connection
    const given = await giveOut(db, two.school.board, two.school.classId)
    if (!given.ok) throw new Error(given.reason)
    expect(await takeBack(db, given.value.id)).toEqual({ ok: true, value: null })
    expect(await db.selectFrom('handouts').select('id').where('id', '=', given.value.id).execute()).toEqual([])
    await markOpened(two.services, two.school.slates[0]!.id)
    expect(await takeBack(db, two.school.handout)).toEqual({ ok: false, reason: 'opened' })
  })
})
