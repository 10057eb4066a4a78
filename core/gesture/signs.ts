import type { Point } from '../geometry/shape'

/** What a hand points with. */
export type PointerKind = 'mouse' | 'touch' | 'pen'

/**
 * What lies under a hand. *thing*: tapped and dragged. *sheet*: takes strokes. *ground*: a tap means the spot, a drag
 * pushes the page. *other*: a button or a field, which has its taps from the browser; a drag that begins there pushes.
 */
export type As = 'thing' | 'sheet' | 'ground' | 'other'

export interface On<T> {
  readonly as: As
  /** Tells it from everything else that may be under a hand. */
  readonly key: string
  readonly what: T
  /** CSS pixels after which a thing is dragged, where that isn't the usual. */
  readonly starts?: number | undefined
}

/**
 * What the device tells of its pointers. Places are CSS pixels on the screen, times milliseconds on one clock. *wait*:
 * nothing has happened until now. *click*: a click; `alone` where no pointer went before it, as assistive technology
 * does.
 */
export type HandEvent<T> =
  | {
      readonly event: 'down'
      readonly pointer: number
      readonly by: PointerKind
      readonly at: Point
      readonly time: number
      readonly on: On<T>
      readonly pressure?: number
    }
  | {
      readonly event: 'move' | 'up'
      readonly pointer: number
      readonly at: Point
      readonly time: number
      readonly pressure?: number
    }
  | { readonly event: 'cancel'; readonly pointer: number }
  | { readonly event: 'wait'; readonly time: number }
  | { readonly event: 'click'; readonly at: Point; readonly time: number; readonly on: On<T>; readonly alone: boolean }

/**
 * What the hand means. A drag or a stroke that begins either ends or is *let be*: then things are as before it, but of
 * a stroke that the system broke off what was drawn is *kept*.
 */
export type Sign<T> =
  | {
      readonly sign: 'tap'
      readonly on: On<T>
      readonly at: Point
      readonly by: PointerKind | 'click'
      /** The second of two taps on the same thing, one soon after the other. */
      readonly times: 1 | 2
    }
  | { readonly sign: 'long-press'; readonly on: On<T>; readonly at: Point }
  | {
      readonly sign: 'drag' | 'stroke'
      readonly phase: 'begin' | 'go' | 'end'
      readonly on: On<T>
      /** Where the hand went down. */
      readonly from: Point
      readonly at: Point
      readonly by: PointerKind
      readonly pressure?: number | undefined
    }
  | { readonly sign: 'drag' | 'stroke'; readonly phase: 'let-be'; readonly on: On<T>; readonly kept: boolean }
  | { readonly sign: 'push'; readonly on: On<T>; readonly by: Point }
  | {
      readonly sign: 'pinch'
      readonly phase: 'begin' | 'go' | 'end'
      /** The middle between two fingers, and how far it has moved since it was last told. */
      readonly about: Point
      readonly by: Point
      /** How much farther apart they are than when they began. */
      readonly ratio: number
    }
