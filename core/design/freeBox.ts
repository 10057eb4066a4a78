import type { Page } from '../board/board'
import type { Place } from '../board/place'
import { boxOf, outlined, overlaps } from '../geometry/outline'
import type { Box, Size } from '../geometry/shape'

/** Room above a place for its heading, in points. */
export const HEADING_ROOM = 40
/** Between a place and what is next to it. */
export const SPACING = 12

/** What is printed is room taken, as long as it is words: a picture may be what places are laid on. */
const printedOn = ({ backdrop }: Page): Box[] =>
  (backdrop.figures ?? []).flatMap(({ shape, text }) => (text.trim() ? [outlined(shape).box] : []))

/**
 * The first free spot from the top left of the page, or of a part of it, for a box with its heading, clear of places
 * and of printed words; over the rest where there is none.
 */
export function freeBox(
  page: Page,
  { width, height }: Size,
  part: Box = { x: 0, y: 0, width: page.width, height: page.height },
): Box {
  const size = {
    width: Math.max(SPACING, Math.min(width, part.width - 2 * SPACING)),
    height: Math.max(SPACING, Math.min(height, part.height - HEADING_ROOM - SPACING)),
  }
  const taken = [...printedOn(page), ...page.places.map(withHeading)]
  for (let y = part.y + HEADING_ROOM; y + size.height <= part.y + part.height - SPACING; y += SPACING) {
    for (let x = part.x + 2 * SPACING; x + size.width <= part.x + part.width - SPACING; x += SPACING) {
      const box = { x, y, ...size }
      if (!taken.some(other => overlaps(other, box))) return box
    }
  }
  const shift = (page.places.length % 8) * SPACING
  return {
    x: part.x + Math.min(2 * SPACING + shift, part.width - size.width),
    y: part.y + Math.min(HEADING_ROOM + shift, part.height - size.height),
    ...size,
  }
}

function withHeading(place: Place): Box {
  const { x, y, width, height } = boxOf(place)
  return { x: x - SPACING, y: y - HEADING_ROOM, width: width + 2 * SPACING, height: height + HEADING_ROOM + SPACING }
}
