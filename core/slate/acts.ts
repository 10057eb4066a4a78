import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import type { Point } from '../geometry/shape'
import type { Move } from './move'
import { arrowName, top, type SlateState } from './state'

/**
 * What hands do with a piece, as the move that it is; null where there is nothing to do or the board doesn't let it.
 */

/** Laid down; where others move up to make room for it, all of them at once. */
export function layMove(
  state: SlateState,
  piece: PieceId,
  { at: { x, y }, others }: { readonly at: Point; readonly others?: ReadonlyMap<PieceId, Point> | undefined },
): Move {
  if (!others?.size) return { kind: 'put', piece, x, y }
  const moved = [...others].map(([id, to]) => [id, { ...state.pieces[id]!, x: to.x, y: to.y }] as const)
  return {
    kind: 'arrange',
    pieces: { ...Object.fromEntries(moved), [piece]: { ...state.pieces[piece], x, y, z: top(state) + 1 } },
  }
}

export const shelveMove = (state: SlateState, piece: PieceId): Move | null =>
  state.pieces[piece] ? { kind: 'shelve', piece } : null

/** Turned on by so many degrees, clockwise. */
export function turnMove(state: SlateState, edition: Edition, piece: PieceId, by: number): Move | null {
  const lies = state.pieces[piece]
  if (!lies || !edition.pieces.get(piece)?.piece.turns) return null
  return { kind: 'turn', piece, turn: ((((lies.turn ?? 0) + by) % 360) + 360) % 360, flipped: lies.flipped ?? false }
}

/** Onto its other side. */
export function flipMove(state: SlateState, edition: Edition, piece: PieceId): Move | null {
  const lies = state.pieces[piece]
  const it = edition.pieces.get(piece)?.piece
  return lies && it?.kind === 'tile' && it.other
    ? { kind: 'turn', piece, turn: lies.turn ?? 0, flipped: !lies.flipped }
    : null
}

/** An arrow from one piece to another; one that is there already goes. */
export function joinMove(state: SlateState, from: PieceId, to: PieceId): Move | null {
  if (from === to) return null
  return { kind: state.arrows[arrowName(from, to)] ? 'disconnect' : 'connect', from, to }
}
