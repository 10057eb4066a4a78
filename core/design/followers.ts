import type { Page } from '../board/board'
import type { Line } from '../board/backdrop'
import type { Place } from '../board/place'
import { boxOf } from '../geometry/outline'
import type { Box, Point } from '../geometry/shape'
import { HEADING_ROOM } from './freeBox'

/** Points: a line that ends so near to the rim of a place leads to it. */
const REACH = 14

/**
 * The page as it is now, with the printed lines that led to places before leading to the same spots of them still. A
 * line that leads to none of the places that have moved stays, and so does one that was moved itself.
 */
export function withFollowingLines(before: Page, now: Page, moved: (id: string) => boolean): Page {
  const lines = now.backdrop.lines
  if (!lines?.length) return now
  const after = new Map(now.places.map(place => [place.id, place]))
  const follow = (point: Point): Point => {
    const place = nearest(before.places, point)
    const there = place && after.get(place.id)
    return place && there && moved(place.id) ? carried(point, boxOf(place), boxOf(there)) : point
  }
  return {
    ...now,
    backdrop: {
      ...now.backdrop,
      lines: lines.map((line): Line => {
        if (moved(line.id)) return line
        const [from, to] = [follow(line.from), follow(line.to)]
        return from === line.from && to === line.to ? line : { ...line, from, to }
      }),
    },
  }
}

/** The place whose rim is nearest to a point and within reach of it; of two as near the one in front. */
function nearest(places: readonly Place[], point: Point): Place | null {
  let found: { place: Place; far: number } | null = null
  for (const place of places) {
    const far = fromRim(withHeading(place), point)
    if (far <= REACH && far <= (found?.far ?? Infinity)) found = { place, far }
  }
  return found?.place ?? null
}

/** A line that comes from above ends over the heading. */
function withHeading(place: Place): Box {
  const box = boxOf(place)
  return place.heading && !place.unseen ? { ...box, y: box.y - HEADING_ROOM, height: box.height + HEADING_ROOM } : box
}

/** How far a point is from the rim of a box, inside or outside. */
function fromRim({ x, y, width, height }: Box, point: Point): number {
  const [left, right] = [point.x - x, x + width - point.x]
  const [top, foot] = [point.y - y, y + height - point.y]
  const inside = Math.min(left, right, top, foot)
  return inside >= 0 ? inside : Math.hypot(Math.max(0, -left, -right), Math.max(0, -top, -foot))
}

/** As far along the box, and as far beyond it, as before. */
function carried(point: Point, from: Box, to: Box): Point {
  const share = (at: number, start: number, size: number) =>
    size > 0 ? Math.min(1, Math.max(0, (at - start) / size)) : 0
  const [across, down] = [share(point.x, from.x, from.width), share(point.y, from.y, from.height)]
  return {
    x: to.x + across * to.width + (point.x - from.x - across * from.width),
    y: to.y + down * to.height + (point.y - from.y - down * from.height),
  }
}
