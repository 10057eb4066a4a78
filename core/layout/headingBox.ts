import type { Page } from '../board/board'
import type { Place, Zone } from '../board/place'
import { isBlank } from '../board/whatPlacesTake'
import { boxOf } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { breakLines } from '../text/lines'
import { textWidth } from '../text/measure'

/** Points. */
export const HEADING_SIZE = 20
const HEIGHT = 32
const NARROWEST = 120

/** How far above its place the base line of a heading's last line is. */
export const HEADING_GAP = 12

/** The lines of the heading that is printed over a place, two at most; none where nothing is. */
export function headingLines(place: Place): string[] {
  if (!place.heading || place.unseen || place.kind === 'pin' || isBlank(place)) return []
  return breakLines(place.heading, boxOf(place).width, HEADING_SIZE, { face: 'bold' }).slice(0, 2)
}

/** The box of the heading that is printed over a place; null where none is. */
export function printedHeading(place: Place): Box | null {
  const lines = headingLines(place)
  if (lines.length === 0) return null
  const { x, y, width } = boxOf(place)
  const widest = Math.max(...lines.map(line => textWidth(line, HEADING_SIZE, 'bold')))
  const height = lines.length * HEADING_SIZE + HEADING_GAP / 2
  return { x: x + (width - widest) / 2, y: y - height - HEADING_GAP / 2, width: widest, height }
}

/** Where students write the heading of a blank zone: above it, or inside along its top where the page ends. */
export function headingBox(zone: Zone, page: Page): Box {
  const box = boxOf(zone)
  const width = Math.min(page.width, Math.max(NARROWEST, box.width))
  return {
    width,
    height: HEIGHT,
    x: Math.min(Math.max(0, box.x + (box.width - width) / 2), page.width - width),
    y: box.y - HEIGHT - 4 >= 0 ? box.y - HEIGHT - 4 : box.y + 4,
  }
}
