import type { Point } from '../geometry/shape'
import type { HandEvent, On, PointerKind, Sign } from './signs'

/** CSS pixels: a hand that has moved so far no longer taps. A finger rolls where a mouse stands still. */
const STARTS: Readonly<Record<PointerKind, number>> = { mouse: 6, pen: 6, touch: 8 }
/** CSS pixels: the same for a stroke, which should begin where the finger went down. */
const STROKE_STARTS = 3
/** A second finger so soon and so near the beginning of a stroke was meant for looking closer. CSS pixels, ms. */
const YOUNG_STROKE = { length: 12, age: 250 }
/** CSS pixels: both of two fingers moved, so they look closer. */
const BOTH_MOVE = 3
/** CSS pixels: one of two fingers went so far while the other rested. */
const ONE_MOVES = 20
/** Milliseconds between two fingers: who lay still for so long before the other came holds the tablet. */
const RESTED = 500
const LONG_PRESS = 500
const DOUBLE_TAP = { time: 400, distance: 30 }
/** Milliseconds in which a browser's click comes after the pointer that it belongs to. */
const CLICK_AFTER = 700

interface Contact<T> {
  readonly pointer: number
  readonly by: PointerKind
  readonly on: On<T>
  readonly from: Point
  readonly at: Point
  readonly time: number
  readonly pressure?: number | undefined
}

type Doing<T> =
  | { readonly doing: 'nothing' }
  | { readonly doing: 'press'; readonly one: Contact<T>; readonly long: boolean }
  | { readonly doing: 'drag' | 'stroke' | 'push'; readonly one: Contact<T> }
  /** Two fingers of which it isn't known yet what they are about. */
  | { readonly doing: 'pair'; readonly one: Contact<T>; readonly two: Contact<T> }
  | { readonly doing: 'pinch'; readonly one: Contact<T>; readonly two: Contact<T>; readonly apart: number }

/** A hand, or two: all that is remembered between one event and the next. */
export interface Hand<T> {
  readonly now: Doing<T>
  /** Pointers that are down and mean nothing any more: a palm, a thumb that holds the tablet, the rest of a pinch. */
  readonly spent: ReadonlySet<number>
  readonly lastTap: { readonly key: string; readonly at: Point; readonly time: number } | null
  /** When a pointer was last lifted. */
  readonly lifted: number
}

export interface Felt<T> {
  readonly hand: Hand<T>
  readonly signs: readonly Sign<T>[]
}

const NOTHING = { doing: 'nothing' } as const
export const atRest = <T>(): Hand<T> => ({ now: NOTHING, spent: new Set(), lastTap: null, lifted: -Infinity })

/** Whether this pointer is one of those that something hangs on. */
export const knows = <T>({ now, spent }: Hand<T>, pointer: number): boolean =>
  spent.has(pointer) || contacts(now).some(contact => contact.pointer === pointer)

/** Until when somebody has to say that nothing happened (`wait`); null while nothing hangs on it. */
export const waitsUntil = <T>({ now }: Hand<T>): number | null =>
  now.doing === 'press' && !now.long && now.one.by !== 'mouse' && now.one.on.as !== 'other'
    ? now.one.time + LONG_PRESS
    : null

/**
 * What an event of a pointer means, after all that came before it. One gesture is under way at a time: what a second
 * pointer means depends on what the first is about, and a pen comes before a finger, which then was a palm. Never
 * throws; an event of a pointer that nobody knows means nothing.
 */
export function feel<T>(hand: Hand<T>, event: HandEvent<T>): Felt<T> {
  switch (event.event) {
    case 'down':
      return down(hand, event)
    case 'move':
      return move(hand, event)
    case 'up':
      return up(hand, event)
    case 'cancel':
      return cancel(hand, event.pointer)
    case 'wait':
      return wait(hand, event.time)
    case 'click':
      return click(hand, event)
  }
}

/** Everything under way is let be: the page is closed to this hand. */
export function letBe<T>(hand: Hand<T>): Felt<T> {
  return { hand: { ...hand, now: NOTHING, spent: spentWith(hand, contacts(hand.now)) }, signs: broken(hand.now, false) }
}

type Down<T> = Extract<HandEvent<T>, { event: 'down' }>
type Moved = Extract<HandEvent<never>, { event: 'move' | 'up' }>

function down<T>(before: Hand<T>, event: Down<T>): Felt<T> {
  // A pointer that goes down twice was lifted where nobody saw it.
  const { hand, signs } = knows(before, event.pointer) ? cancel(before, event.pointer) : { hand: before, signs: [] }
  const one: Contact<T> = { ...event, from: event.at }
  const also = second(hand, one)
  return { hand: also.hand, signs: [...signs, ...also.signs] }
}

function second<T>(hand: Hand<T>, two: Contact<T>): Felt<T> {
  const { now } = hand
  const ignored: Felt<T> = { hand: { ...hand, spent: spentWith(hand, [two]) }, signs: [] }
  if (now.doing === 'nothing') return pressed(hand, two)
  const first = now.one
  if (two.by === 'pen' && first.by === 'touch') {
    const rest = letBe(hand)
    const next = pressed(rest.hand, two)
    return { hand: next.hand, signs: [...rest.signs, ...next.signs] }
  }
  if (two.by !== 'touch' || first.by !== 'touch') return ignored
  switch (now.doing) {
    case 'press':
      return { hand: { ...hand, now: { doing: 'pair', one: first, two } }, signs: [] }
    case 'stroke':
      return distance(first.from, first.at) <= YOUNG_STROKE.length && two.time - first.time <= YOUNG_STROKE.age
        ? { hand: { ...hand, now: { doing: 'pair', one: first, two } }, signs: broken(now, false) }
        : ignored
    case 'push':
      return pinching(hand, first, two)
    case 'drag':
    case 'pair':
    case 'pinch':
      return ignored
  }
}

/** With a finger a stroke begins when it moves, since a second finger may follow; with a pen or a mouse at once. */
function pressed<T>(hand: Hand<T>, one: Contact<T>): Felt<T> {
  if (one.on.as === 'sheet' && one.by !== 'touch')
    return { hand: { ...hand, now: { doing: 'stroke', one } }, signs: [going('stroke', 'begin', one)] }
  return { hand: { ...hand, now: { doing: 'press', one, long: false } }, signs: [] }
}

function move<T>(hand: Hand<T>, event: Moved): Felt<T> {
  const { now } = hand
  const moved = movedBy(now, event)
  if (!moved) return { hand, signs: [] }
  switch (moved.doing) {
    case 'nothing':
      return { hand, signs: [] }
    case 'press':
      return started({ ...hand, now: moved }, moved.one)
    case 'drag':
    case 'stroke':
      return { hand: { ...hand, now: moved }, signs: [going(moved.doing, 'go', moved.one)] }
    case 'push': {
      const by = less(event.at, (now as typeof moved).one.at)
      return { hand: { ...hand, now: moved }, signs: [{ sign: 'push', on: moved.one.on, by }] }
    }
    case 'pair':
      return paired({ ...hand, now: moved }, moved)
    case 'pinch': {
      const was = now as typeof moved
      const about = between(moved.one.at, moved.two.at)
      const by = less(about, between(was.one.at, was.two.at))
      return {
        hand: { ...hand, now: moved },
        signs: [{ sign: 'pinch', phase: 'go', about, by, ratio: ratioOf(moved) }],
      }
    }
  }
}

/** A press that has moved far enough becomes what is dragged, drawn or pushed. */
function started<T>(hand: Hand<T>, one: Contact<T>): Felt<T> {
  const starts = one.on.as === 'sheet' ? STROKE_STARTS : (one.on.starts ?? STARTS[one.by])
  return distance(one.from, one.at) >= starts ? begun(hand, one) : { hand, signs: [] }
}

function begun<T>(hand: Hand<T>, one: Contact<T>): Felt<T> {
  const to = (doing: 'drag' | 'stroke' | 'push') => ({ ...hand, now: { doing, one } })
  switch (one.on.as) {
    case 'thing':
    case 'sheet': {
      const doing = one.on.as === 'thing' ? 'drag' : 'stroke'
      const begin = going(doing, 'begin', { ...one, at: one.from })
      return { hand: to(doing), signs: [begin, going(doing, 'go', one)] }
    }
    case 'ground':
    case 'other':
      return { hand: to('push'), signs: [{ sign: 'push', on: one.on, by: less(one.at, one.from) }] }
  }
}

/**
 * Two fingers that both move look closer, and so do two on the page itself. While one rests, as a thumb does that holds
 * the tablet, the other does what it would do alone.
 */
function paired<T>(hand: Hand<T>, { one, two }: { readonly one: Contact<T>; readonly two: Contact<T> }): Felt<T> {
  const [far, near] = [one, two].toSorted((a, b) => distance(b.from, b.at) - distance(a.from, a.at)) as [
    Contact<T>,
    Contact<T>,
  ]
  const [farthest, nearest] = [distance(far.from, far.at), distance(near.from, near.at)]
  if (farthest < STARTS.touch) return { hand, signs: [] }
  if (two.time - one.time >= RESTED && far === two && nearest < BOTH_MOVE)
    return begun({ ...hand, spent: spentWith(hand, [near]) }, far)
  if (nearest >= BOTH_MOVE || far.on.as !== 'thing') return pinching(hand, one, two)
  if (farthest < ONE_MOVES) return { hand, signs: [] }
  return begun({ ...hand, spent: spentWith(hand, [near]) }, far)
}

function pinching<T>(hand: Hand<T>, one: Contact<T>, two: Contact<T>): Felt<T> {
  const apart = Math.max(1, distance(one.at, two.at))
  const about = between(one.at, two.at)
  return {
    hand: { ...hand, now: { doing: 'pinch', one, two, apart } },
    signs: [{ sign: 'pinch', phase: 'begin', about, by: { x: 0, y: 0 }, ratio: 1 }],
  }
}

function up<T>(before: Hand<T>, event: Moved): Felt<T> {
  if (!knows(before, event.pointer)) return { hand: before, signs: [] }
  // A quick hand lifts farther on than where it was last seen to move.
  const last = before.spent.has(event.pointer) ? { hand: before, signs: [] } : move(before, event)
  const hand = { ...last.hand, lifted: event.time }
  const rest: Hand<T> = { ...hand, now: NOTHING, spent: spentWithout(hand, event.pointer) }
  const { now } = hand
  if (hand.spent.has(event.pointer)) return { hand: { ...rest, now }, signs: last.signs }
  switch (now.doing) {
    case 'nothing':
      return { hand: rest, signs: last.signs }
    case 'press': {
      const tapped = lifted(rest, now.one, now.long, event.time)
      return { hand: tapped.hand, signs: [...last.signs, ...tapped.signs] }
    }
    case 'drag':
    case 'stroke':
      return { hand: rest, signs: [...last.signs, going(now.doing, 'end', now.one)] }
    case 'push':
      return { hand: rest, signs: last.signs }
    case 'pair':
    case 'pinch': {
      const other = now.one.pointer === event.pointer ? now.two : now.one
      const about = between(now.one.at, now.two.at)
      return {
        hand: { ...rest, spent: spentWith(rest, [other]) },
        signs: [
          ...last.signs,
          ...(now.doing === 'pinch'
            ? [{ sign: 'pinch', phase: 'end', about, by: { x: 0, y: 0 }, ratio: ratioOf(now) } as const]
            : []),
        ],
      }
    }
  }
}

function lifted<T>(hand: Hand<T>, one: Contact<T>, long: boolean, time: number): Felt<T> {
  switch (one.on.as) {
    case 'sheet':
      return { hand, signs: [going('stroke', 'begin', one), going('stroke', 'end', one)] }
    case 'other':
      return { hand, signs: [] }
    case 'thing':
    case 'ground':
      return long ? { hand, signs: [] } : tapped(hand, one, time)
  }
}

function tapped<T>(
  hand: Hand<T>,
  { on, at, by }: { readonly on: On<T>; readonly at: Point; readonly by: PointerKind | 'click' },
  time: number,
): Felt<T> {
  const { lastTap } = hand
  const again =
    lastTap?.key === on.key && time - lastTap.time <= DOUBLE_TAP.time && distance(at, lastTap.at) <= DOUBLE_TAP.distance
  return {
    hand: { ...hand, lastTap: again ? null : { key: on.key, at, time } },
    signs: [{ sign: 'tap', on, at, by, times: again ? 2 : 1 }],
  }
}

function cancel<T>(hand: Hand<T>, pointer: number): Felt<T> {
  if (hand.spent.has(pointer)) return { hand: { ...hand, spent: spentWithout(hand, pointer) }, signs: [] }
  if (!knows(hand, pointer)) return { hand, signs: [] }
  const others = contacts(hand.now).filter(contact => contact.pointer !== pointer)
  return { hand: { ...hand, now: NOTHING, spent: spentWith(hand, others) }, signs: broken(hand.now, true) }
}

function wait<T>(hand: Hand<T>, time: number): Felt<T> {
  const until = waitsUntil(hand)
  if (until === null || time < until || hand.now.doing !== 'press') return { hand, signs: [] }
  const { one } = hand.now
  const longer: Hand<T> = { ...hand, now: { doing: 'press', one, long: true } }
  return { hand: longer, signs: one.on.as === 'sheet' ? [] : [{ sign: 'long-press', on: one.on, at: one.at }] }
}

/** A click that no pointer went before is a tap; one that a pointer has brought about was one already. */
function click<T>(hand: Hand<T>, { on, at, time, alone }: Extract<HandEvent<T>, { event: 'click' }>): Felt<T> {
  if (on.as === 'other' || on.as === 'sheet' || (!alone && time - hand.lifted <= CLICK_AFTER))
    return { hand, signs: [] }
  return hand.now.doing === 'nothing' ? tapped(hand, { on, at, by: 'click' }, time) : { hand, signs: [] }
}

function broken<T>(now: Doing<T>, kept: boolean): Sign<T>[] {
  if (now.doing === 'pinch') {
    const about = between(now.one.at, now.two.at)
    return [{ sign: 'pinch', phase: 'end', about, by: { x: 0, y: 0 }, ratio: ratioOf(now) }]
  }
  return now.doing === 'drag' || now.doing === 'stroke'
    ? [{ sign: now.doing, phase: 'let-be', on: now.one.on, kept: kept && now.doing === 'stroke' }]
    : []
}

const going = <T>(
  sign: 'drag' | 'stroke',
  phase: 'begin' | 'go' | 'end',
  { on, from, at, by, pressure }: Contact<T>,
): Sign<T> => ({ sign, phase, on, from, at, by, pressure })

function contacts<T>(now: Doing<T>): readonly Contact<T>[] {
  if (now.doing === 'nothing') return []
  return 'two' in now ? [now.one, now.two] : [now.one]
}
/** What is under way with this pointer where it is now; null where it is none of those that count. */
function movedBy<T>(now: Doing<T>, { pointer, at, pressure }: Moved): Doing<T> | null {
  if (now.doing === 'nothing') return null
  if (now.one.pointer === pointer) return { ...now, one: { ...now.one, at, pressure } }
  return 'two' in now && now.two.pointer === pointer ? { ...now, two: { ...now.two, at, pressure } } : null
}

const spentWith = <T>({ spent }: Hand<T>, more: readonly Contact<T>[]) =>
  more.length ? new Set([...spent, ...more.map(contact => contact.pointer)]) : spent
const spentWithout = <T>({ spent }: Hand<T>, pointer: number) => new Set([...spent].filter(one => one !== pointer))

const distance = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)
const less = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y })
const between = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 })
const ratioOf = <T>({ one, two, apart }: Extract<Doing<T>, { doing: 'pinch' }>) => distance(one.at, two.at) / apart
