import type { Page } from '../board/board'
import type { Zone } from '../board/place'
import { boxOf } from '../geometry/outline'
import type { Box } from '../geometry/shape'

/** Points. */
export const HEADING_SIZE = 20
const HEIGHT = 32
const NARROWEST = 120

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
