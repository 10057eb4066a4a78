import type { Board, Page } from '../board/board'
import type { PageId } from '../board/ids'
import type { Place } from '../board/place'
import { PLACE_TRAITS } from '../board/placeTraits'
import type { Point } from '../geometry/shape'
import { handled } from './fixed'
import { onToPage } from './items'
import { withPage } from './lookup'
import { turnedShape } from './turnedShape'

/** Degrees: the step of the hands. */
export const TURN_STEP = 15

/**
 * Things turned clockwise, each round its own middle, and held on the page. A rectangle or an ellipse that lies aslant
 * becomes a free outline; pictures and places that are always rectangles turn by quarters alone. A piece is turned as
 * it lies on the page from the start.
 */
export function turnItems(board: Board, pageId: PageId, ids: ReadonlySet<string>, degrees: number): Board {
  const to = <T extends { id: string }>(thing: T, turn: (thing: T) => T): T => (ids.has(thing.id) ? turn(thing) : thing)
  const turned = withPage(board, pageId, (page): Page => ({
    ...page,
    places: page.places.map(place => to(place, p => turnedPlace(p, degrees))),
    backdrop: handled(page.backdrop, ids, (handling, thing) => handling.turned(thing, degrees)),
    ...(page.staged && {
      staged: Object.fromEntries(
        Object.entries(page.staged).map(([id, at]) => [id, ids.has(id) ? turnedSpot(at, degrees) : at]),
      ),
    }),
  }))
  return withPage(turned, pageId, page => onToPage(page, turned))
}

function turnedSpot(
  { x, y, turn = 0 }: Point & { turn?: number | undefined },
  degrees: number,
): Point & { turn?: number } {
  const now = (((turn + degrees) % 360) + 360) % 360
  return { x, y, ...(now && { turn: now }) }
}

/** Pins are round, so turning changes nothing; what is always a rectangle takes quarters. */
function turnedPlace(place: Place, degrees: number): Place {
  const shape = turnedShape(place.shape, degrees)
  switch (PLACE_TRAITS[place.kind].turns) {
    case 'freely':
      return { ...place, shape } as Place
    case 'by-quarters':
      return shape.kind === 'rectangle' ? ({ ...place, shape } as Place) : place
    case 'never':
      return place
  }
}
