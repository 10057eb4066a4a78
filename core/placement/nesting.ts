import type { Page } from '../board/board'
import type { PlaceId } from '../board/ids'
import { within } from '../geometry/area'
import { outlined } from '../geometry/outline'
import type { Point, Shape } from '../geometry/shape'
import { certaintyInAll, type Share } from './placement'

/**
 * An outline is drawn in by this share towards its middle before it is looked at, so that edges that only touch are
 * none.
 */
const DRAWN_IN = 1e-3

interface Nesting {
  /** The zones around each zone that lies wholly in others. */
  readonly around: ReadonlyMap<PlaceId, ReadonlySet<PlaceId>>
  /** Some zone lies in another. */
  readonly nested: boolean
  /** Two rings at least cross each other. */
  readonly rings: boolean
}
const nestings = new WeakMap<Page, Nesting>()

function nestingOf(page: Page): Nesting {
  const before = nestings.get(page)
  if (before) return before
  const zones = page.places.filter(place => place.kind === 'zone')
  const around = new Map(
    zones.map(zone => [
      zone.id,
      new Set(zones.filter(other => other !== zone && isWithin(zone.shape, other.shape)).map(z => z.id)),
    ]),
  )
  const round = zones.filter(zone => zone.shape.kind === 'ellipse')
  const rings = round.some((a, i) => round.slice(i + 1).some(b => crosses(a.shape, b.shape)))
  const found = { around, nested: [...around.values()].some(outer => outer.size > 0), rings }
  nestings.set(page, found)
  return found
}

/** Its corners and, where it has few, its edges too. */
function rim(shape: Shape): Point[] {
  const { points, box } = outlined(shape)
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  return points
    .flatMap((p, i) => {
      const next = points[(i + 1) % points.length]!
      return [p, { x: (p.x + next.x) / 2, y: (p.y + next.y) / 2 }]
    })
    .map(p => ({ x: p.x + (x - p.x) * DRAWN_IN, y: p.y + (y - p.y) * DRAWN_IN }))
}

const isWithin = (inner: Shape, outer: Shape) =>
  rim(inner).every(p => within(outlined(outer).points, p))
  // The same shape twice is in neither.
  && !rim(outer).every(p => within(outlined(inner).points, p))
const crosses = (a: Shape, b: Shape) => {
  const inside = rim(a).filter(p => within(outlined(b).points, p)).length
  return inside > 0 && !isWithin(a, b) && !isWithin(b, a)
}

/**
 * Whether the zones of a page were made as rings that divide each other: ovals that cross. Boxes and free shapes never
 * do so by themselves.
 */
export const hasRings = (page: Page): boolean => nestingOf(page).rings

/**
 * The shares of a piece, a zone within a zone being a place of its own: what is surely in the inner one isn't in the
 * outer;
 * what is only perhaps in the inner one is only perhaps in the outer.
 */
export function innermost(shares: readonly Share[], page: Page): Share[] {
  const { around, nested } = nestingOf(page)
  if (!nested && !shares.some(share => share.cells)) return shares as Share[]
  const inners = (share: Share) => shares.filter(other => around.get(other.place)?.has(share.place))
  return shares.flatMap((share): Share[] => {
    const certainties = inners(share).map(inner => inner.certainty)
    if (certainties.includes('in')) return []
    const certainty = certaintyInAll(share) ?? share.certainty
    return [{ ...share, certainty: certainties.includes('unsure') ? 'unsure' : certainty }]
  })
}
