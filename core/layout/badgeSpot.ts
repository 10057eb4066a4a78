import type { Place } from '../board/place'
import { boxOf, overlaps } from '../geometry/outline'
import type { Point, Size } from '../geometry/shape'
import { HEADING_GAP, printedHeading } from './headingBox'

/** Points between a badge and the place it is about. */
const APART = 2

interface Around {
  /** Everything else on the page that is written in or put into. */
  readonly places: readonly Place[]
  readonly width: number
  readonly height: number
}

/**
 * The upper left corner of a badge of that size that says something of a place: over it at its left, or at its right
 * with `atRight`; else over its heading, below it, or beside it. On no other place and within the page; only where
 * there is no such spot within its own place.
 */
export function badgeSpot(place: Place, size: Size, page: Around, atRight = false): Point {
  const box = boxOf(place)
  const heading = printedHeading(place)
  const x = atRight ? Math.max(box.x, box.x + box.width - size.width) : box.x
  const taken = [
    ...page.places.filter(other => other !== place).map(boxOf),
    ...page.places.flatMap(other => printedHeading(other) ?? []),
  ]
  const spots = [
    { x, y: box.y - size.height - APART },
    ...(heading ? [{ x, y: heading.y - HEADING_GAP / 2 - size.height }] : []),
    { x, y: box.y + box.height + APART },
    { x: box.x + box.width + APART, y: box.y },
    { x: box.x - size.width - APART, y: box.y },
  ]
  const free = spots.find(
    spot =>
      spot.x >= 0
      && spot.y >= 0
      && spot.x + size.width <= page.width
      && spot.y + size.height <= page.height
      && !taken.some(other => overlaps(other, { ...spot, ...size })),
  )
  return free ?? { x, y: box.y + box.height - size.height - APART }
}
