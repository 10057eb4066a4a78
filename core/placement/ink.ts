import type { Page } from '../board/board'
import type { PlaceId } from '../board/ids'
import type { Place } from '../board/place'
import { within } from '../geometry/area'
import { evenly } from '../geometry/line'
import { boxOf, outlined } from '../geometry/outline'
import type { Point } from '../geometry/shape'
import { isSeen, type OwnOnSlate } from '../slate/own'
import { strokesOf, type SlateState } from '../slate/state'

/** A line is meant for a drawing space with this share of its length there … */
const LEAST_SHARE = 0.25
/** … or where it goes through so much of the space's shorter side. */
const LEAST_CROSSED = 1 / 3
/** What surely lies in one space is its own, with all that goes over its edge. */
const WHOLE = 0.75

/**
 * All that is drawn in a drawing space, each line as points at equal steps: by the space's own pen, and by whatever
 * pen, highlighter or straight line of the tools is meant for it. That is a line with at least a quarter of its length
 * there, or one that goes through a third of the space. A line that is meant for one space alone is that space's as a
 * whole; one that crosses several is shared out: each has the runs that lie in it. Of spaces over each other both have
 * it. Empty where nothing is.
 */
export function inkIn(state: SlateState, place: PlaceId, page: Page): Point[][] {
  const own = strokesOf(state, place).map(([, { points }]) => evenly(points.map(([x, y]) => ({ x, y }))))
  const spaces = page.places.filter(one => one.kind === 'drawing')
  const drawn = Object.values(state.own).flatMap(thing => {
    const line = thing.page === page.id && isSeen(thing) ? lineOf(thing) : null
    return line ? partOf(line, place, spaces) : []
  })
  return [...own, ...drawn]
}

function lineOf(thing: OwnOnSlate): Point[] | null {
  if (thing.kind === 'ink') return evenly(thing.points.map(([x, y]) => ({ x, y })))
  return thing.kind === 'line' && !thing.head && !thing.from.on && !thing.to.on ? evenly([thing.from, thing.to]) : null
}

/** What of a line the space has: all of it, its runs there, or nothing. */
function partOf(line: readonly Point[], place: PlaceId, spaces: readonly Place[]): Point[][] {
  const step = line.length > 1 ? Math.hypot(line[1]!.x - line[0]!.x, line[1]!.y - line[0]!.y) : 0
  const crossed = spaces.flatMap(space => {
    const outline = outlined(space.shape).points
    const there = line.map(point => within(outline, point))
    const points = there.filter(Boolean).length
    const share = points / line.length
    const { width, height } = boxOf(space)
    const meant = share >= LEAST_SHARE || (points > 1 && points * step >= LEAST_CROSSED * Math.min(width, height))
    return meant ? [{ id: space.id, share, there }] : []
  })
  const here = crossed.find(one => one.id === place)
  if (!here) return []
  return crossed.length === 1 || here.share >= WHOLE ? [[...line]] : runsOf(line, here.there)
}

/** The parts of a line that lie together. */
function runsOf(line: readonly Point[], there: readonly boolean[]): Point[][] {
  const runs: Point[][] = []
  line.forEach((point, i) => {
    if (!there[i]) return
    if (there[i - 1]) runs.at(-1)!.push(point)
    else runs.push([point])
  })
  return runs
}
