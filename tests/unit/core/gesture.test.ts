import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { atRest, feel, knows, letBe, waitsUntil, type Hand } from '../../../core/gesture/recogniser'
import type { As, HandEvent, On, PointerKind, Sign } from '../../../core/gesture/signs'
import recorded from '../../files/pointers.json'

/** What a browser told of its pointers, recorded in Chromium from real input (`Input.dispatch…Event`). */
interface Told {
  readonly type: string
  readonly id: number
  readonly by: string
  readonly x: number
  readonly y: number
  readonly t: number
  readonly pressure: number
  readonly detail: number
}
const RECORDED: Readonly<Record<string, readonly Told[]>> = recorded

const on = (as: As, key: string = as): On<string> => ({ as, key, what: key })
type Told1 = Exclude<HandEvent<string>, { event: 'wait' }>
function eventOf({ type, id, by, x, y, t, pressure, detail }: Told, under: (x: number) => On<string>): Told1 | null {
  const at = { x, y }
  switch (type) {
    case 'pointerdown':
      return { event: 'down', pointer: id, by: by as PointerKind, at, time: t, on: under(x), pressure }
    case 'pointermove':
      return { event: 'move', pointer: id, at, time: t, pressure }
    case 'pointerup':
      return { event: 'up', pointer: id, at, time: t }
    case 'pointercancel':
      return { event: 'cancel', pointer: id }
    case 'click':
      return { event: 'click', at, time: t, on: under(x), alone: detail === 0 }
  }
  return null
}

/** All that a hand means, with the times told at which something waits. */
function signsOf(events: readonly HandEvent<string>[]): Sign<string>[] {
  let hand: Hand<string> = atRest()
  const signs: Sign<string>[] = []
  for (const event of events) {
    const until = waitsUntil(hand)
    const time = 'time' in event ? event.time : 0
    if (until !== null && time > until) {
      const waited = feel(hand, { event: 'wait', time: until })
      hand = waited.hand
      signs.push(...waited.signs)
    }
    const felt = feel(hand, event)
    hand = felt.hand
    signs.push(...felt.signs)
  }
  return signs
}
const played = (name: string, under: (x: number) => On<string>) =>
  signsOf(RECORDED[name]!.flatMap(told => eventOf(told, under) ?? []))
const said = (signs: readonly Sign<string>[]) =>
  signs.map(sign =>
    'phase' in sign ? `${sign.sign} ${sign.phase}` : sign.sign === 'tap' ? `tap ${sign.times} ${sign.by}` : sign.sign,
  )
const thing = () => on('thing')
const sheet = () => on('sheet')
const ground = () => on('ground')
/** The same, however often it goes on. */
const inShort = (signs: readonly Sign<string>[]) => said(signs).filter((word, i, all) => word !== all[i - 1])

describe('what was recorded', () => {
  it.each([
    ['mouse tap', thing, ['tap 1 mouse']],
    ['mouse drag', thing, ['drag begin', 'drag go', 'drag end']],
    ['mouse drag', sheet, ['stroke begin', 'stroke go', 'stroke end']],
    ['mouse drag', ground, ['push']],
    ['finger tap', thing, ['tap 1 touch']],
    ['finger tap', sheet, ['stroke begin', 'stroke end']],
    ['finger double tap', thing, ['tap 1 touch', 'tap 2 touch']],
    ['finger drag', thing, ['drag begin', 'drag go', 'drag end']],
    ['finger drag', sheet, ['stroke begin', 'stroke go', 'stroke end']],
    ['finger drag', ground, ['push']],
    ['finger rests, then drags', thing, ['long-press', 'drag begin', 'drag go', 'drag end']],
    ['pen stroke', sheet, ['stroke begin', 'stroke go', 'stroke end']],
    ['two fingers apart', thing, ['pinch begin', 'pinch go', 'pinch end']],
    ['two fingers apart', sheet, ['pinch begin', 'pinch go', 'pinch end']],
    ['two fingers apart', ground, ['pinch begin', 'pinch go', 'pinch end']],
    ['pen and palm', sheet, ['stroke begin', 'stroke go', 'stroke end']],
    ['pen and palm', thing, ['drag begin', 'drag go', 'drag end']],
    ['click alone', thing, ['tap 1 click']],
    ['click alone', ground, ['tap 1 click']],
    // A button has its clicks from the browser.
    ['click alone', () => on('other'), []],
    ['mouse tap', () => on('other'), []],
  ] as const)('%s', (name, under, expected) => {
    expect(inShort(played(name, under))).toEqual(expected)
  })

  it('a thumb that holds the tablet takes no part in what the other hand drags or draws', () => {
    const under = (as: As) => (x: number) => (x < 100 ? on('ground', 'thumb') : on(as))
    expect(inShort(played('thumb and finger', under('thing')))).toEqual([
      'long-press',
      'drag begin',
      'drag go',
      'drag end',
    ])
    expect(inShort(played('thumb and finger', under('sheet'))).slice(1)).toEqual([
      'stroke begin',
      'stroke go',
      'stroke end',
    ])
  })

  it('a stroke begins where the hand went down, and has every point that the pen told', () => {
    const signs = played('pen stroke', sheet)
    const told = RECORDED['pen stroke']!.filter(({ type }) => type === 'pointermove').slice(1)
    expect(signs[0]).toMatchObject({ at: { x: 100, y: 100 }, by: 'pen' })
    expect(
      signs.flatMap(sign => (sign.sign === 'stroke' && sign.phase === 'go' ? [sign.at] : [])).slice(0, told.length),
    ).toEqual(told.map(({ x, y }) => ({ x, y })))
  })

  it('two fingers say how much farther apart they are than when the first had moved', () => {
    const last = played('two fingers apart', ground).findLast(sign => sign.sign === 'pinch' && sign.phase === 'go')
    expect(last).toMatchObject({ ratio: 180 / 90 })
  })
})

const down = (pointer: number, by: PointerKind, x: number, under: On<string>, time = 0): HandEvent<string> => ({
  event: 'down',
  pointer,
  by,
  at: { x, y: 0 },
  time,
  on: under,
})
const to = (pointer: number, x: number, time = 10): HandEvent<string> => ({
  event: 'move',
  pointer,
  at: { x, y: 0 },
  time,
})
const lift = (pointer: number, x: number, time = 20): HandEvent<string> => ({
  event: 'up',
  pointer,
  at: { x, y: 0 },
  time,
})

describe('what a second pointer means', () => {
  it('a pen comes before the palm that lay there first', () => {
    const signs = signsOf([
      down(1, 'touch', 0, sheet()),
      to(1, 30),
      down(2, 'pen', 200, sheet(), 30),
      to(2, 250, 40),
      lift(1, 40, 45),
      lift(2, 260, 50),
    ])
    expect(inShort(signs)).toEqual([
      'stroke begin',
      'stroke go',
      'stroke let-be',
      'stroke begin',
      'stroke go',
      'stroke end',
    ])
    expect(signs.find(sign => 'kept' in sign)).toMatchObject({ kept: false })
  })
  it('a second finger on what is dragged, or on a long stroke, is nobody’s', () => {
    for (const under of [thing(), sheet()])
      expect(
        inShort(
          signsOf([
            down(1, 'touch', 0, under),
            to(1, 60),
            down(2, 'touch', 200, ground(), 300),
            to(2, 300, 310),
            to(1, 80, 320),
            lift(2, 300, 330),
            lift(1, 80, 340),
          ]),
        ),
      ).toEqual(['begin', 'go', 'end'].map(phase => `${under.as === 'thing' ? 'drag' : 'stroke'} ${phase}`))
  })
  it('a second finger soon after a stroke began was meant for looking closer: nothing is drawn', () => {
    const signs = signsOf([
      down(1, 'touch', 0, sheet()),
      to(1, 5),
      down(2, 'touch', 100, sheet(), 60),
      to(2, 130, 70),
      to(1, -20, 80),
      lift(1, -20, 90),
      lift(2, 130, 95),
    ])
    expect(inShort(signs)).toEqual([
      'stroke begin',
      'stroke go',
      'stroke let-be',
      'pinch begin',
      'pinch go',
      'pinch end',
    ])
  })
  it('of a stroke that the system breaks off what was drawn is kept; what was dragged lies where it was', () => {
    for (const [under, kept] of [
      [sheet(), true],
      [thing(), false],
    ] as const)
      expect(
        signsOf([down(1, 'touch', 0, under), to(1, 60), { event: 'cancel', pointer: 1 }, to(1, 90), lift(1, 90)]).at(
          -1,
        ),
      ).toMatchObject({ phase: 'let-be', kept })
  })
  it('a hand that is told to let be does, and its pointer means nothing until it is lifted', () => {
    const held = [down(1, 'mouse', 0, thing()), to(1, 60)].reduce(
      (hand, event) => feel(hand, event).hand,
      atRest<string>(),
    )
    const { hand, signs } = letBe(held)
    expect(said(signs)).toEqual(['drag let-be'])
    expect(feel(hand, to(1, 90)).signs).toEqual([])
    expect(knows(feel(hand, lift(1, 90)).hand, 1)).toBe(false)
  })
})

describe('whatever comes', () => {
  const at = fc.record({ x: fc.integer({ min: 0, max: 60 }), y: fc.integer({ min: 0, max: 60 }) })
  const pointer = fc.integer({ min: 1, max: 4 })
  const under = fc.constantFrom(...(['thing', 'sheet', 'ground', 'other'] as const)).map(as => on(as))
  /** A finger stays a finger. */
  const kindOf = (id: number): PointerKind => (id === 1 ? 'mouse' : id === 2 ? 'pen' : 'touch')
  const event = fc.oneof(
    fc.record({ event: fc.constant('down' as const), pointer, at, on: under }),
    fc.record({ event: fc.constantFrom('move' as const, 'up' as const), pointer, at }),
    fc.record({ event: fc.constant('cancel' as const), pointer }),
    fc.record({ event: fc.constant('wait' as const) }),
    fc.record({ event: fc.constant('click' as const), at, on: under, alone: fc.boolean() }),
  )
  it('what begins ends once before anything else begins, and nothing is left once all is lifted', () => {
    fc.assert(
      fc.property(fc.array(event, { maxLength: 60 }), events => {
        let hand: Hand<string> = atRest()
        const signs: Sign<string>[] = []
        const feelOne = (one: HandEvent<string>) => {
          const felt = feel(hand, one)
          hand = felt.hand
          signs.push(...felt.signs)
        }
        events.forEach((one, i) => {
          const time = i * 100
          feelOne(
            one.event === 'down'
              ? { ...one, time, by: kindOf(one.pointer) }
              : one.event === 'cancel'
                ? one
                : ({ ...one, time } as HandEvent<string>),
          )
        })
        for (const id of [1, 2, 3, 4]) feelOne({ event: 'up', pointer: id, at: { x: 0, y: 0 }, time: 9000 })
        expect([1, 2, 3, 4].some(id => knows(hand, id))).toBe(false)
        let open: string | null = null
        for (const sign of signs) {
          if (!('phase' in sign)) {
            if (sign.sign !== 'long-press') expect(open).toBeNull()
            continue
          }
          if (sign.phase === 'begin') {
            expect(open).toBeNull()
            open = sign.sign
          } else {
            expect(open).toBe(sign.sign)
            if (sign.phase !== 'go') open = null
          }
        }
        expect(open).toBeNull()
      }),
      { numRuns: 2000 },
    )
  })
})
