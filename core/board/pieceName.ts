import type { Piece } from './piece'

/** What a piece is called aloud and in lists: its text, or what its picture shows. */
export function pieceName(piece: Piece): string {
  return piece.text || ('alt' in piece && piece.alt) || '…'
}
