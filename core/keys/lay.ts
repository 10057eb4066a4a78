import type { PieceId, PlaceId } from '../board/ids'
import type { Page } from '../board/board'
import type { Point } from '../geometry/shape'
import { itemBox } from '../layout/itemBox'
import { freeSpot } from '../placement/freeSpot'
import { withPieces, type SlateState } from '../slate/state'
import type { Laying } from './kind'

/**
 * A copy of a bin for each of the spots, named after it so that laying again gives the same; of any other piece itself,
 * for the first.
 */
export function copiesToLay(name: PieceId, page: Page, spots: readonly string[]): PieceId[] {
  const bin = page.pieces.find(piece => piece.id === name)?.bin
  return bin ? spots.map((spot, i) => copyName(name, `${i}-${spot}`)) : [name]
}

/** Copies have 4 to 24 letters behind their bin's name. */
export const copyName = (bin: PieceId, spot: string) =>
  `${bin}~key-${spot.replace(/[^A-Za-z0-9_-]/g, '-').slice(-20)}` as PieceId

/** With the piece at a spot; as it was where there is none. */
export const laidAt = (state: SlateState, piece: PieceId, at: Point | null | undefined): SlateState =>
  at ? withPieces(state, [[piece, { x: at.x, y: at.y, z: 1 }]]) : state

/** With the piece where there is room in a place; as it was where there is no such place. */
export function laidIn({ state, page, edition }: Laying, piece: PieceId, place: PlaceId | undefined): SlateState {
  const known = page.places.find(p => p.id === place)
  return known ? laidAt(state, piece, freeSpot({ state, piece, place: known, page, edition })) : state
}

/** The middle of a slot, a cell or a gap; null for what isn't there. */
export function middleOf(item: string, page: Page): Point | null {
  const box = itemBox(item, page)
  return box ? { x: box.x + box.width / 2, y: box.y + box.height / 2 } : null
}
