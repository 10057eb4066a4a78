import type { Edition } from '../../board/edition'
import type { PieceId } from '../../board/ids'
import type { Point } from '../../geometry/shape'
import type { MoveRefusal } from '../operation'

/** Null when the piece is on this board; the centre, if given, must lie on the piece's page, edges included. */
export function refusalFor(edition: Edition, piece: PieceId, centre?: Point): MoveRefusal | null {
  const known = edition.pieces.get(piece)
  if (!known) return { code: 'unknown-piece', piece }
  if (!centre) return null
  const onPage = centre.x >= 0 && centre.y >= 0 && centre.x <= known.page.width && centre.y <= known.page.height
  return onPage ? null : { code: 'off-page', piece }
}
