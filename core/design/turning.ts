import type { BackdropPicture } from '../board/backdrop'
import type { Board, Page } from '../board/board'
import type { PageId } from '../board/ids'
import type { Place } from '../board/place'
import { boxOf, outline } from '../geometry/outline'
import type { Point, Shape } from '../geometry/shape'
import { turnedAround } from '../placement/claim'
import { onToPage } from './items'
import { withPage } from './lookup'

/** Degrees: the step of the hands, and a quarter of a turn. */
export const TURN_STEP = 15
export const QUARTER = 90

/**
 * Things turned clockwise, each round its own middle, and held on the page. A rectangle or an ellipse that lies aslant
 * becomes a free outline; pictures and places that are always rectangles turn by quarters alone. A piece is turned as it
 * lies on the page from the start.
 */
export function turnItems(board: Board, pageId: PageId, ids: ReadonlySet<string>, degrees: number): Board {
  const to = <T extends { id: string }>(thing: T, turn: (thing: T) => T): T => ids.has(thing.id) ? turn(thing) : thing
  const turned = withPage(board, pageId, (page): Page => {
    const { figures, lines } = page.backdrop
    return {
      ...page,
      places: page.places.map(place => to(place, p => turnedPlace(p, degrees))),
      backdrop: {
        ...page.backdrop,
        pictures: page.backdrop.pictures.map(picture => to(picture, p => turnedPicture(p, degrees))),
        ...(figures && { figures: figures.map(f => to(f, figure => ({ ...figure, shape: turnedShape(figure.shape, degrees) }))) }),
        ...(lines && { lines: lines.map(l => to(l, (line) => {
          const middle = { x: (line.from.x + line.to.x) / 2, y: (line.from.y + line.to.y) / 2 }
          return { ...line, from: turnedAround(middle, line.from, degrees), to: turnedAround(middle, line.to, degrees) }
        })) }),
      },
      ...(page.staged && { staged: Object.fromEntries(Object.entries(page.staged).map(([id, at]) => [id, ids.has(id) ? turnedSpot(at, degrees) : at])) }),
    }
  })
  return withPage(turned, pageId, page => onToPage(page, turned))
}

function turnedSpot({ x, y, turn = 0 }: Point & { turn?: number | undefined }, degrees: number): Point & { turn?: number } {
  const now = ((turn + degrees) % 360 + 360) % 360
  return { x, y, ...(now && { turn: now }) }
}

/** Pins are round, so turning changes nothing; what is always a rectangle takes quarters. */
function turnedPlace(place: Place, degrees: number): Place {
  switch (place.kind) {
    case 'zone': case 'slot': case 'pan': return { ...place, shape: turnedShape(place.shape, degrees) }
    case 'pin': return place
    default: {
      const shape = turnedShape(place.shape, degrees)
      return shape.kind === 'rectangle' ? { ...place, shape } as Place : place
    }
  }
}

/** The picture with what is cut off of it. */
function turnedPicture(picture: BackdropPicture, degrees: number): BackdropPicture {
  const by = quartersIn(degrees)
  let next = picture
  for (let i = 0; i < by; i++) {
    const { x, y, width, height, crop, quarters, ...rest } = next
    const turned = ((quarters ?? 0) + 1) % 4 as 0 | 1 | 2 | 3
    next = {
      ...rest, x: x + (width - height) / 2, y: y + (height - width) / 2, width: height, height: width,
      ...(turned && { quarters: turned }),
      ...(crop && { crop: { left: crop.bottom, top: crop.left, right: crop.top, bottom: crop.right } }),
    }
  }
  return next
}
/** Whole quarters of a turn, from 0 to 3; 0 for what is none. */
function quartersIn(degrees: number): number {
  const quarters = ((degrees / QUARTER) % 4 + 4) % 4
  return Number.isInteger(quarters) ? quarters : 0
}

export function turnedShape(shape: Shape, degrees: number): Shape {
  const { x, y, width, height } = boxOf({ shape })
  const middle = { x: x + width / 2, y: y + height / 2 }
  if (shape.kind === 'polygon') return { kind: 'polygon', points: shape.points.map(p => turnedAround(middle, p, degrees)) }
  const quarters = ((degrees / QUARTER) % 4 + 4) % 4
  if (quarters === 0 || quarters === 2 || (shape.kind === 'ellipse' && width === height)) return shape
  if (quarters === 1 || quarters === 3) return { kind: shape.kind, x: middle.x - height / 2, y: middle.y - width / 2, width: height, height: width }
  return { kind: 'polygon', points: outline(shape).map(p => turnedAround(middle, p, degrees)) }
}
