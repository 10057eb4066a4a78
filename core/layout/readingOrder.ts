import type { Box } from '../geometry/shape'

/** Children lay crookedly: two boxes that overlap by less than this share of the smaller stand beside each other. */
const CROOKED = 0.35

/**
 * Things on a page in the order in which they are read: cut into rows, these into columns, and so on for as long as
 * there is something to cut (the recursive X-Y cut of Nagy and Seth, 1984, from memory). What can't be cut, as rings
 * that cross, goes by the upper edge, then by the side where reading begins: the left, or the right with `fromRight`.
 * Things at one spot keep their order.
 */
export function readingOrder<T>(things: readonly T[], boxOf: (thing: T) => Box, fromRight = false): T[] {
  const all = things.map(thing => {
    const { x, y, width, height } = boxOf(thing)
    return { thing, down: { from: y, to: y + height }, along: fromRight ? to(-x - width, width) : to(x, width) }
  })
  return inOrder(all, 'down').map(one => one.thing)
}

interface Span {
  readonly from: number
  readonly to: number
}
const to = (from: number, length: number): Span => ({ from, to: from + length })
type Way = 'down' | 'along'
type Spanned = Readonly<Record<Way, Span>>

function inOrder<T extends Spanned>(things: readonly T[], first: Way): T[] {
  if (things.length < 2) return [...things]
  const second = first === 'down' ? 'along' : 'down'
  for (const way of [first, second] as const) {
    const bands = cut(things, way)
    if (bands.length > 1) return bands.flatMap(band => inOrder(band, way === 'down' ? 'along' : 'down'))
  }
  return things.toSorted((a, b) => a.down.from - b.down.from || a.along.from - b.along.from)
}

/** Bands of things that lie beside each other in this direction, or hardly overlap. */
function cut<T extends Spanned>(things: readonly T[], way: Way): T[][] {
  const bands: { end: Span; things: T[] }[] = []
  for (const thing of things.toSorted((a, b) => a[way].from - b[way].from)) {
    const [span, last] = [thing[way], bands.at(-1)]
    const smaller = last && Math.min(span.to - span.from, last.end.to - last.end.from)
    if (!last || span.from >= last.end.to - CROOKED * smaller!) bands.push({ end: span, things: [thing] })
    else {
      last.things.push(thing)
      if (span.to > last.end.to) last.end = span
    }
  }
  return bands.map(band => band.things)
}
