import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import { turnedSize } from '../bodies/straight'
import type { Point } from '../geometry/shape'
import type { SlateState } from '../slate/state'
import { sharesOf, type Share } from './placement'

/** What hands move pieces on: one page of a slate as it is now. */
export interface Table {
  readonly state: SlateState
  readonly page: Page
  readonly edition: Edition
}

/** Where a piece would come to lie, and in which places that is; with where others move that make room for it. */
export interface Landing {
  readonly at: Point
  readonly shares: readonly Share[]
  readonly others?: ReadonlyMap<PieceId, Point>
}

export const turnOn = ({ state }: Table, piece: PieceId) => state.pieces[piece]?.turn
export const sizeOn = (table: Table, piece: PieceId) =>
  turnedSize(table.edition.pieces.get(piece)!.master, turnOn(table, piece))

/** With its middle just there. */
export function landingAt(table: Table, piece: PieceId, at: Point): Landing {
  const { piece: held, master } = table.edition.pieces.get(piece)!
  return { at, shares: sharesOf(held, master, { ...at, turn: turnOn(table, piece) }, table.page) }
}
