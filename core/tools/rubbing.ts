import type { PageId } from '../board/ids'
import { distanceToSegment } from '../geometry/line'
import type { Point } from '../geometry/shape'
import type { Author } from '../slate/actor'
import type { Move } from '../slate/move'
import { takeAwayMove } from './making'
import { ownOn } from '../slate/own'
import { strokesOf, type SlateState } from '../slate/state'

/** Points: how near to a line the rubber takes it. */
const RUBBER = 10

const passes = (points: readonly (readonly number[])[], at: Point) =>
  points.some(([x, y], i) => {
    const [fromX, fromY] = points[i - 1] ?? [x!, y!]
    return distanceToSegment(at, { x: fromX!, y: fromY! }, { x: x!, y: y! }) <= RUBBER
  })

/**
 * What of the ink the rubber takes at a spot: strokes in these drawing spaces, and the rubber's owner's own ink on the
 * page.
 * `gone` names what it has taken already in the same gesture, and is added to.
 */
export function rubbedAt({
  state,
  page,
  spaces,
  at,
  by,
  gone,
}: {
  readonly state: SlateState
  readonly page: PageId
  readonly spaces: readonly string[]
  readonly at: Point
  readonly by: Author
  readonly gone: Set<string>
}): Move[] {
  const strokes = spaces
    .flatMap(space => strokesOf(state, space))
    .filter(([id, { points }]) => !gone.has(id) && passes(points, at))
    .map(([id]) => id)
  const own = ownOn(state.own, page).filter(
    ([id, thing]) => thing.kind === 'ink' && thing.by === by && !gone.has(id) && passes(thing.points, at),
  )
  for (const id of [...strokes, ...own.map(([id]) => id)]) gone.add(id)
  return [
    ...(strokes.length ? [{ kind: 'rub' as const, strokes, gone: true }] : []),
    ...own.map(([id, thing]) => takeAwayMove(id, thing)),
  ]
}
