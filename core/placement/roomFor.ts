import { PLACE_TRAITS } from '../board/placeTraits'
import { boxAround, outlined } from '../geometry/outline'
import type { Box, Point, Size } from '../geometry/shape'
import { piecesOf } from '../slate/pieces'
import { boxOfOwn, ownOn } from '../slate/own'
import { turnedSize } from '../bodies/straight'
import { clampPiece } from './freeSpot'
import type { Table } from './table'

/** Points between the spots that are tried. */
const STEP = 12

/**
 * The middle of a free spot of that size on the page, as near to a point as can be: on nothing that lies there, was
 * made there, or is written in. Where there is no such spot, the one that covers least; of equal ones the nearest.
 */
export function roomFor({ state, page, edition }: Table, size: Size, near: Point): Point {
  const taken: Box[] = [
    ...piecesOf(state, page, edition).flatMap(({ id }) => {
      const lies = state.pieces[id]
      return lies ? [boxAround(lies, turnedSize(edition.pieces.get(id)!.master, lies.turn))] : []
    }),
    ...ownOn(state.own, page.id).flatMap(([, own]) => (own.kind === 'ink' ? [] : (boxOfOwn(own) ?? []))),
    ...page.places
      .filter(({ kind }) => PLACE_TRAITS[kind].takes === 'words' || kind === 'gaps')
      .map(place => outlined(place.shape).box),
  ]
  const covers = (at: Point) => {
    const box = boxAround(at, size)
    return taken.reduce((sum, other) => sum + shared(box, other), 0)
  }
  const middle = clampPiece(near, size, page)
  let best = { at: middle, covers: covers(middle), far: 0 }
  if (best.covers === 0) return middle
  for (let y = size.height / 2; y <= page.height - size.height / 2; y += STEP)
    for (let x = size.width / 2; x <= page.width - size.width / 2; x += STEP) {
      const far = Math.hypot(x - near.x, y - near.y)
      if (best.covers === 0 && far >= best.far) continue
      const here = covers({ x, y })
      if (here < best.covers || (here === best.covers && far < best.far)) best = { at: { x, y }, covers: here, far }
    }
  return best.at
}

/** How much two boxes have in common; square points. */
const shared = (a: Box, b: Box) =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x))
  * Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y))
