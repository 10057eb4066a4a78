import type { Edition } from '../../board/edition'
import type { PieceId } from '../../board/ids'
import type { Point } from '../../geometry/shape'
import type { MoveRefusal } from '../operation'
import type { OnPage } from '../state'

/**
 * Null when the piece is on this board, or a copy from one of its bins; a bin itself never leaves the ledge. The
 * centre, if given, must lie on the piece's page, edges included.
 */
export function refusalFor(edition: Edition, item: PieceId, centre?: Point): MoveRefusal | null {
  const known = edition.pieces.get(item)
  if (!known || known.piece.bin) return { code: 'unknown-piece', item }
  if (!centre) return null
  const onPage = centre.x >= 0 && centre.y >= 0 && centre.x <= known.page.width && centre.y <= known.page.height
  return onPage ? null : { code: 'off-page', item }
}

/** Of these pieces, those that the board has; a move that was made over another edition may name more. */
export const onBoard = <Where>(edition: Edition, pieces: readonly (readonly [PieceId, Where])[]) =>
  pieces.filter(([id]) => edition.pieces.get(id))

/** A position without what says nothing: no turn, not flipped. */
export function tidied({
  x,
  y,
  z,
  turn,
  flipped,
}: {
  x: number
  y: number
  z: number
  turn?: number | undefined
  flipped?: boolean | undefined
}): OnPage {
  return { x, y, z, ...(turn && { turn }), ...(flipped && { flipped: true }) }
}
