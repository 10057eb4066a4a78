import type { Page } from '../board/board'
import type { PlaceId } from '../board/ids'
import type { Place } from '../board/place'
import { area, areaInside, within } from '../geometry/area'
import { boxOf, outlined } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { boxOfOwn, isSeen, ownOn, type OwnOnSlate } from '../slate/own'
import type { SlateState } from '../slate/state'

const MOST_OF = 0.5

/**
 * Whether something of a student's own lies in a place: half of it or more does, or it covers half of the place or
 * more. Of what is drawn half of its points. What is gone or hidden, and what has no room of its own (a colour), lies
 * nowhere.
 */
function liesIn(thing: OwnOnSlate, place: Place): boolean {
  const box = isSeen(thing) ? boxOfOwn(thing) : null
  if (!box || !meet(box, boxOf(place))) return false
  const { points } = outlined(place.shape)
  if (thing.kind === 'ink')
    return thing.points.filter(([x, y]) => within(points, { x, y })).length >= MOST_OF * thing.points.length
  if (thing.kind === 'line') return within(points, thing.from) && within(points, thing.to)
  const common = areaInside(points, box)
  return common > 0 && (common >= MOST_OF * box.width * box.height || common >= MOST_OF * Math.abs(area(points)))
}

const meet = (a: Box, b: Box) =>
  a.x <= b.x + b.width && b.x <= a.x + a.width && a.y <= b.y + b.height && b.y <= a.y + a.height

/** The places in which something of students' own lies, or that it covers, however many that are. */
export function placesWithOwn(state: SlateState, page: Page): ReadonlySet<PlaceId> {
  const things = ownOn(state.own, page.id)
  return new Set(page.places.filter(place => things.some(([, thing]) => liesIn(thing, place))).map(place => place.id))
}

/** Of each place the things of students' own that are told of in it: each in the smallest place in which it lies. */
export function ownInPlaces(state: SlateState, page: Page): ReadonlyMap<PlaceId, readonly [string, OwnOnSlate][]> {
  const things = ownOn(state.own, page.id)
  if (things.length === 0) return new Map()
  const bySize = page.places
    .map(place => ({ place, size: Math.abs(area(outlined(place.shape).points)) }))
    .toSorted((a, b) => a.size - b.size)
  const found = new Map<PlaceId, [string, OwnOnSlate][]>()
  for (const entry of things) {
    const home = bySize.find(({ place }) => liesIn(entry[1], place))?.place.id
    if (home !== undefined) found.set(home, [...(found.get(home) ?? []), entry])
  }
  return found
}
