import { describe, expect, it } from 'vitest'
import { pageId, pieceId } from '../../boards'
import { handClock } from '../../handClock'
import type { ClientMessage, ServerMessage } from '../../../core/sync/messages'
import type { HandHere } from '../../../core/sync/presence'
import { TELL_EVERY_MS, Together } from '../../../core/sync/together'
import { Presence } from '../../../server/sync/presence'

const SLATE = '00000000-0000-4000-8000-00000000000a'
const holds = (x: number) => ({ piece: pieceId('c0'), x, y: 5 })

describe('being together, on a device', () => {
  function device() {
    const time = handClock()
    const sent: ClientMessage[] = []
    let changes = 0
    const together = new Together(
      { slate: SLATE, author: 'student:1', changed: () => changes++ },
      { send: message => sent.push(message) > 0, after: time.after },
    )
    return {
      together,
      time,
      sent: () => sent.splice(0),
      get changes() {
        return changes
      },
      hear: (hands: HandHere[], whole = false) => together.hear({ say: 'hands', slate: SLATE, hands, whole }),
    }
  }

  it('tells what is held at once, then seldom, and the last of it always', () => {
    const d = device()
    d.together.connected()
    expect(d.sent()).toEqual([{ say: 'here', slate: SLATE, here: {} }])
    for (let x = 1; x <= 20; x++) {
      d.together.be({ holds: holds(x) })
      d.time.wait(TELL_EVERY_MS / 10)
    }
    d.together.be({ holds: undefined })
    d.time.wait(TELL_EVERY_MS)
    const told = d.sent()
    expect(told.length).toBeLessThan(6)
    expect(told.at(-1)).toEqual({ say: 'here', slate: SLATE, here: { holds: undefined } })
    d.time.wait(10 * TELL_EVERY_MS)
    expect(d.sent()).toEqual([])
  })

  it('says nothing when nothing has changed', () => {
    const d = device()
    d.together.be({ page: pageId('page') })
    d.time.wait(TELL_EVERY_MS)
    d.sent()
    d.together.be({ page: pageId('page') })
    d.time.wait(TELL_EVERY_MS)
    expect(d.sent()).toEqual([])
  })

  it('knows the others and not oneself; sees nobody while there is no connection, and says again where one is when there is', () => {
    const d = device()
    d.together.be({ page: pageId('page') })
    d.hear(
      [
        ['student:1', {}],
        ['student:2', { presents: true }],
      ],
      true,
    )
    d.hear([['student:3', { holds: holds(3) }]])
    expect([...d.together.others]).toEqual([
      ['student:2', { presents: true }],
      ['student:3', { holds: holds(3) }],
    ])
    d.hear([['student:2', null]])
    expect([...d.together.others.keys()]).toEqual(['student:3'])
    d.together.lost()
    expect(d.together.others.size).toBe(0)
    d.sent()
    d.together.connected()
    expect(d.sent()).toEqual([{ say: 'here', slate: SLATE, here: { page: 'page' } }])
    d.hear([['student:2', {}]], true)
    d.together.stop()
    d.hear([], true)
    expect([...d.together.others.keys()]).toEqual(['student:2'])
  })
})

describe('who is here, among processes', () => {
  /** Two processes that hear each other, unless the line is cut. */
  function processes() {
    const time = handClock()
    const line = { cut: false }
    const told: ServerMessage[][] = [[], []]
    const made: Presence[] = [0, 1].map(
      i =>
        new Presence({
          origin: `process-${i}`,
          now: time.now,
          after: (ms, then) => void time.after(ms, then),
          tell: (_, message) => told[i]!.push(message),
          announce: news => void (line.cut || news.forEach(one => made.forEach(process => process.hear(one)))),
        }),
    )
    return { time, line, here: made[0]!, there: made[1]!, told: (i: number) => told[i]!.splice(0) }
  }

  it('is told to both, gathered; who leaves is gone in both, and nothing is left behind', () => {
    const p = processes()
    for (let x = 0; x < 10; x++) p.here.be('socket', SLATE, 'student:1', { holds: holds(x) })
    p.there.be('other', SLATE, 'student:2', {})
    p.time.wait(500)
    for (const process of [p.here, p.there])
      expect(new Map(process.of(SLATE))).toEqual(
        new Map([
          ['student:1', { holds: holds(9) }],
          ['student:2', {}],
        ]),
      )
    expect(p.told(0).length).toBeLessThan(4)
    p.here.leave('socket', SLATE)
    p.there.leave('other', SLATE)
    p.time.wait(500)
    expect([p.here.size, p.there.size]).toEqual([0, 0])
    const last = p.told(1).flatMap(message => (message.say === 'hands' ? message.hands : []))
    expect(new Map(last)).toEqual(
      new Map([
        ['student:1', null],
        ['student:2', null],
      ]),
    )
  })

  it('with two devices somebody is here once, as the one that spoke last says, and as long as one of them is', () => {
    const p = processes()
    p.here.be('laptop', SLATE, 'student:1', { holds: holds(1) })
    p.time.wait(500)
    p.there.be('tablet', SLATE, 'student:1', { holds: holds(2) })
    p.time.wait(500)
    // Saying the same again, as each process does now and then, is no news.
    p.here.again()
    p.time.wait(500)
    expect([p.here.of(SLATE), p.there.of(SLATE)]).toEqual([
      [['student:1', { holds: holds(2) }]],
      [['student:1', { holds: holds(2) }]],
    ])
    p.there.leave('tablet', SLATE)
    p.time.wait(500)
    expect([p.here.of(SLATE), p.there.of(SLATE)]).toEqual([
      [['student:1', { holds: holds(1) }]],
      [['student:1', { holds: holds(1) }]],
    ])
  })

  it('a process that died is not believed for ever, and one that was not heard is heard again', () => {
    const p = processes()
    p.there.be('tablet', SLATE, 'student:2', {})
    p.time.wait(500)
    p.line.cut = true
    p.here.be('laptop', SLATE, 'student:1', {})
    for (let i = 0; i < 3; i++) {
      p.time.wait(20_000)
      p.here.again()
    }
    expect(p.here.of(SLATE)).toEqual([['student:1', {}]])
    p.line.cut = false
    p.here.again()
    p.there.again()
    p.time.wait(500)
    for (const process of [p.here, p.there]) expect(new Map(process.of(SLATE)).size).toBe(2)
  })

  it('tells a large class in parcels that the wire takes', () => {
    const sizes: number[] = []
    const time = handClock()
    const presence = new Presence({
      origin: 'p',
      now: time.now,
      after: (ms, then) => void time.after(ms, then),
      tell: () => {},
      announce: news => void sizes.push(...news.map(one => JSON.stringify(one).length)),
    })
    for (let i = 1; i <= 200; i++)
      presence.be(`s${i}`, SLATE, `student:${i}`, {
        page: pageId('p'.repeat(40)),
        holds: { piece: pieceId('c'.repeat(40)), x: 1234.5678901234, y: 987.654321012 },
        presents: true,
      })
    time.wait(500)
    expect(sizes.length).toBeGreaterThan(1)
    expect(Math.max(...sizes)).toBeLessThan(7900)
  })
})
