import type { Page } from '../board/board'
import type { PlaceId } from '../board/ids'
import { within } from '../geometry/area'
import { outlined, overlaps } from '../geometry/outline'
import type { Box, Point } from '../geometry/shape'

/** What of a page lies in just these zones, and in no other. */
export interface Region {
  readonly zones: readonly PlaceId[]
  readonly middle: Point
  /** The top of all zones that hang together with it. */
  readonly top: number
}

const STEP = 12
const pageRegions = new WeakMap<Page, readonly Region[]>()

/**
 * The regions into which zones that overlap divide each other, found by asking every 12 points which zones are there; a
 * region too small to be hit is none. Zones that overlap no other are not named. In no particular order.
 */
export function regionsOf(page: Page): readonly Region[] {
  const before = pageRegions.get(page)
  if (before) return before
  const found = findRegions(page)
  pageRegions.set(page, found)
  return found
}

function findRegions(page: Page): Region[] {
  const zones = page.places
    .filter(place => place.kind === 'zone')
    .map(place => ({ id: place.id, ...outlined(place.shape) }))
  const crossed = zones.filter(zone => zones.some(other => other !== zone && overlaps(other.box, zone.box)))
  const hits = new Map<string, Point[]>()
  for (const { x, y } of spotsIn(crossed.map(zone => zone.box))) {
    const here = crossed.filter(
      ({ box, points }) =>
        x >= box.x && y >= box.y && x <= box.x + box.width && y <= box.y + box.height && within(points, { x, y }),
    )
    if (here.length)
      hits.set(here.map(zone => zone.id).join(' '), [
        ...(hits.get(here.map(zone => zone.id).join(' ')) ?? []),
        { x, y },
      ])
  }
  // Boxes that only touch or whose shapes miss each other divide nothing.
  const divided = new Set([...hits.keys()].filter(name => name.includes(' ')).flatMap(name => name.split(' ')))
  return [...hits]
    .filter(([name]) => name.split(' ').some(id => divided.has(id)))
    .map(([name, points]) => {
      const ids = name.split(' ') as PlaceId[]
      const boxes = crossed
        .filter(zone => ids.includes(zone.id))
        .flatMap(zone => crossed.filter(other => overlaps(other.box, zone.box)).map(other => other.box))
      return { zones: ids, middle: meanOf(points), top: Math.min(...boxes.map(box => box.y)) }
    })
}

function* spotsIn(boxes: readonly Box[]): Generator<Point> {
  const [left, top] = [Math.min(...boxes.map(b => b.x)), Math.min(...boxes.map(b => b.y))]
  const [right, foot] = [Math.max(...boxes.map(b => b.x + b.width)), Math.max(...boxes.map(b => b.y + b.height))]
  for (let y = top + STEP / 2; y < foot; y += STEP) for (let x = left + STEP / 2; x < right; x += STEP) yield { x, y }
}

const meanOf = (points: readonly Point[]): Point => ({
  x: points.reduce((s, p) => s + p.x, 0) / points.length,
  y: points.reduce((s, p) => s + p.y, 0) / points.length,
})
