import type { Page } from '../board/board'
import type { PlaceId } from '../board/ids'
import type { Place } from '../board/place'
import { within } from '../geometry/area'
import { evenly } from '../geometry/line'
import { outlined } from '../geometry/outline'
import type { Point } from '../geometry/shape'
import { isSeen, type OwnOnSlate } from '../slate/own'
import { strokesOf, type SlateState } from '../slate/state'

/** With less of its length than this in a drawing space a line isn't meant for it. */
const LEAST_SHARE = 0.25

/**
 * All that is drawn in a drawing space, each line as points at equal steps: by the space's own pen, and by whatever
 * pen, highlighter or straight line of the tools has at least a quarter of its length there. A line that crosses
 * several spaces belongs to the one that has most of it; of two that have as much to the first on the page. Empty where
 * nothing is.
 */
export function inkIn(state: SlateState, place: PlaceId, page: Page): Point[][] {
  const own = strokesOf(state, place).map(([, { points }]) => evenly(points.map(([x, y]) => ({ x, y }))))
  const spaces = page.places.filter(one => one.kind === 'drawing')
  const drawn = Object.values(state.own).flatMap(thing => {
    const line = thing.page === page.id && isSeen(thing) ? lineOf(thing) : null
    return line && spaceOf(line, spaces) === place ? [line] : []
  })
  return [...own, ...drawn]
}

function lineOf(thing: OwnOnSlate): Point[] | null {
  if (thing.kind === 'ink') return evenly(thing.points.map(([x, y]) => ({ x, y })))
  return thing.kind === 'line' && !thing.head && !thing.from.on && !thing.to.on ? evenly([thing.from, thing.to]) : null
}

function spaceOf(line: readonly Point[], spaces: readonly Place[]): PlaceId | null {
  const shares = spaces.map(({ id, shape }) => {
    const outline = outlined(shape).points
    return { id, share: line.filter(point => within(outline, point)).length / line.length }
  })
  const best = shares.reduce<(typeof shares)[number] | null>(
    (most, one) => (most && most.share >= one.share ? most : one),
    null,
  )
  return best && best.share >= LEAST_SHARE ? best.id : null
}
