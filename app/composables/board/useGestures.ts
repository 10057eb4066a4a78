import { atRest, feel, knows, letBe as letBeOf, waitsUntil, type Felt, type Hand } from '~~/core/gesture/recogniser'
import type { As, HandEvent, On, PointerKind, Sign } from '~~/core/gesture/signs'
import type { Point } from '~~/core/geometry/shape'

/** Where a hand is, and on what. Places are CSS pixels on the screen. */
export interface Touched {
  readonly element: Element
  readonly at: Point
  readonly by: PointerKind | 'click'
}
export interface Moving {
  readonly element: Element
  readonly from: Point
  readonly at: Point
  readonly by: PointerKind
  readonly pressure?: number | undefined
}

/** What somebody does with the hands that go down on elements of this name: `data-hand="name"`. */
export interface Taker {
  readonly as: Exclude<As, 'other'>
  /** CSS pixels after which a thing is dragged, where that isn't the usual. */
  readonly starts?: number
  readonly press?: (touched: Touched, event: PointerEvent) => void
  readonly tap?: (touched: Touched, times: 1 | 2) => void
  readonly longPress?: (touched: Touched) => void
  readonly begin?: (moving: Moving) => void
  readonly go?: (moving: Moving) => void
  readonly end?: (moving: Moving) => void
  /** It ended as if it had never begun; of a stroke what was drawn may be kept. */
  readonly letBe?: (kept: boolean) => void
}

interface Ways {
  readonly push: (element: Element, by: Point) => void
  readonly pinch: (pinch: { readonly begins: boolean; readonly ratio: number; readonly about: Point }) => void
}

/** What is neither pushed about nor looked at more closely. */
const STILL: Ways = { push: () => {}, pinch: () => {} }

const GESTURES: InjectionKey<Gestures> = Symbol('gestures')
/** What has taps of its own. */
const NATIVE = 'button, a, input, textarea, select, label, video, audio, summary, [data-hand="none"]'

interface Under {
  readonly element: Element
  readonly taker: Taker | null
}

/**
 * The one place at which pointers are caught: on this element, which takes all that a finger does. `touch-action: none`
 * stands on it and on whatever scrolls inside it, HTML elements: inside an SVG it is not honoured, and a browser looks
 * no farther up than to the nearest element that scrolls. What lies under a hand is told by `data-hand` on it or around
 * it; whoever is registered under that name hears what the hand means.
 */
export function provideGestures(root: Ref<HTMLElement | null>, ways: Ways = STILL) {
  const takers = new Map<string, Taker>()
  let hand: Hand<Under> = atRest()
  let timer: ReturnType<typeof setTimeout> | undefined

  /** Things of one name are told apart by what they are of; null for a field in which somebody writes. */
  function under(target: EventTarget | null): On<Under> | null {
    const element = target instanceof Element ? target : null
    const native = element?.closest(NATIVE)
    if (native && root.value?.contains(native))
      return native === document.activeElement && native.matches('input, textarea')
        ? null
        : { as: 'other', key: 'other', what: { element: native, taker: null } }
    const named = element?.closest<HTMLElement | SVGElement>('[data-hand]')
    const taker = named && takers.get(named.dataset['hand']!)
    if (!named || !taker) return { as: 'other', key: 'other', what: { element: element ?? root.value!, taker: null } }
    const { hand: name, piece, own, item } = named.dataset
    return {
      as: taker.as,
      key: [name, piece ?? own ?? item].join(),
      what: { element: named, taker },
      starts: taker.starts,
    }
  }

  function take({ hand: next, signs }: Felt<Under>) {
    hand = next
    clearTimeout(timer)
    const until = waitsUntil(hand)
    if (until !== null)
      timer = setTimeout(
        () => take(feel(hand, { event: 'wait', time: performance.now() })),
        until - performance.now() + 1,
      )
    for (const sign of signs) tell(sign)
  }
  const feelAll = (event: HandEvent<Under>) => take(feel(hand, event))

  function down(event: PointerEvent) {
    if (event.button !== 0) return
    const on = under(event.target)
    if (!on) return
    const by = kindOf(event)
    const at = placeOf(event)
    if (on.as !== 'other') leaveField(on.what.element)
    on.what.taker?.press?.({ element: on.what.element, at, by }, event)
    feelAll({ event: 'down', pointer: event.pointerId, by, at, time: performance.now(), on, ...pressureOf(event) })
  }
  /** Since a finger's own click is not let through, it doesn't end by itself what is being written. */
  function leaveField(element: Element) {
    const field = document.activeElement
    if (
      field instanceof HTMLElement
      && field !== element
      && field.matches('input, textarea')
      && root.value?.contains(field)
    )
      field.blur()
  }
  function moved(event: PointerEvent) {
    if (!knows(hand, event.pointerId)) return
    // The button was let go outside of the window.
    if (event.pointerType === 'mouse' && event.buttons === 0) return lifted(event)
    const time = performance.now()
    for (const part of pointerParts(event))
      feelAll({ event: 'move', pointer: event.pointerId, at: placeOf(part), time, ...pressureOf(part) })
  }
  function lifted(event: PointerEvent) {
    if (knows(hand, event.pointerId))
      feelAll({
        event: 'up',
        pointer: event.pointerId,
        at: placeOf(event),
        time: performance.now(),
        // A pen that is lifted presses no more: the last it pressed counts.
      })
  }
  function clicked(event: MouseEvent) {
    const on = under(event.target)
    if (!on || on.as === 'other') return
    feelAll({
      event: 'click',
      at: event.clientX || event.clientY ? placeOf(event) : middleOf(event.target as Element),
      time: performance.now(),
      on,
      // The browser counts the clicks of a pointer, and none of those that come without one.
      alone: event.detail === 0,
    })
  }
  useEventListener(root, 'pointerdown', down)
  useEventListener(root, 'click', clicked)
  useEventListener(window, 'pointermove', moved)
  useEventListener(window, 'pointerup', lifted)
  useEventListener(window, 'pointercancel', event => feelAll({ event: 'cancel', pointer: event.pointerId }))
  // What was decided here is not decided once more by the mouse that browsers make of a finger.
  useEventListener(
    root,
    'touchend',
    (event: TouchEvent) => {
      const on = under(event.target)
      if (on && on.as !== 'other' && event.cancelable) event.preventDefault()
    },
    { passive: false },
  )
  // A mouse that goes down on marked words, or on a picture, doesn't take these along instead of going on here.
  useEventListener(root, 'dragstart', event => event.preventDefault())
  // A finger that rests doesn't open the browser's own menu over what it holds.
  useEventListener(root, 'contextmenu', event => {
    const on = under(event.target)
    if (on && on.as !== 'other' && hand.now.doing !== 'nothing') event.preventDefault()
  })
  onBeforeUnmount(() => clearTimeout(timer))

  function tell(sign: Sign<Under>) {
    if (sign.sign === 'pinch') {
      if (sign.phase === 'end') return
      if (root.value && (sign.by.x || sign.by.y)) ways.push(root.value, sign.by)
      return ways.pinch({ begins: sign.phase === 'begin', ratio: sign.ratio, about: sign.about })
    }
    const { taker, element } = sign.on.what
    switch (sign.sign) {
      case 'tap':
        if (sign.by !== 'mouse') focusOn(element)
        return taker?.tap?.({ element, at: sign.at, by: sign.by }, sign.times)
      case 'long-press':
        return taker?.longPress?.({ element, at: sign.at, by: 'touch' })
      case 'push':
        return ways.push(element, sign.by)
      case 'drag':
      case 'stroke': {
        if (sign.phase === 'let-be') return taker?.letBe?.(sign.kept)
        return taker?.[sign.phase]?.({ element, from: sign.from, at: sign.at, by: sign.by, pressure: sign.pressure })
      }
    }
  }

  const gestures = {
    take(name: string, taker: Taker) {
      takers.set(name, taker)
      return () => void (takers.get(name) === taker && takers.delete(name))
    },
    /** What is under way is let be. */
    letBe: () => take(letBeOf(hand)),
  }
  provide(GESTURES, gestures)
  return gestures
}
export interface Gestures {
  readonly take: (name: string, taker: Taker) => () => void
  readonly letBe: () => void
}

/** What goes down on elements of this name inside the stage is for this component, as long as it is there. */
export function useTaker(name: string, taker: Taker) {
  const gestures = inject(GESTURES, null)
  if (gestures) onScopeDispose(gestures.take(name, taker))
}

const placeOf = ({ clientX: x, clientY: y }: MouseEvent): Point => ({ x, y })
const kindOf = ({ pointerType }: PointerEvent): PointerKind =>
  pointerType === 'touch' || pointerType === 'pen' ? pointerType : 'mouse'
/** Only a pen knows how hard it is pressed. */
const pressureOf = ({ pointerType, pressure }: PointerEvent) =>
  pointerType === 'pen' && pressure > 0 ? { pressure: Math.round(pressure * 100) / 100 } : {}
function middleOf(element: Element): Point {
  const { left, top, width, height } = element.getBoundingClientRect()
  return { x: left + width / 2, y: top + height / 2 }
}
function focusOn(element: Element) {
  if (element instanceof HTMLElement || element instanceof SVGElement) element.focus({ preventScroll: true })
}
