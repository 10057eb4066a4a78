import type { Place } from '../board/place'
import { boxOf, overlaps } from '../geometry/outline'
import type { Point, Size } from '../geometry/shape'
import { HEADING_GAP, printedHeading } from './headingBox'

/** Points between a badge and the place it is about. */
const APART = 2

/**
 * The upper left corner of a badge of that size that says something of a place: over it at its left, or at its right
 * with `atRight`; over its heading where that is in the way; within the place only where the page ends.
 */
export function badgeSpot(place: Place, size: Size, atRight = false): Point {
  const box = boxOf(place)
  const x = atRight ? Math.max(box.x, box.x + box.width - size.width) : box.x
  const over = { x, y: box.y - size.height - APART, ...size }
  const heading = printedHeading(place)
  const y = heading && overlaps(heading, over) ? heading.y - HEADING_GAP / 2 - size.height : over.y
  return { x, y: y >= 0 ? y : box.y + APART }
}
