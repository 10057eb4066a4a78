import type { PieceId } from './ids'

/** The bin that a copy was taken from; null for a piece of the board itself. */
export function binOf(id: PieceId): PieceId | null {
  const at = id.indexOf('~')
  return at < 0 ? null : (id.slice(0, at) as PieceId)
}
