import type { Piece } from './piece'

/** What a piece is called aloud and in lists: its text, or its name or what its picture shows, or what it is worth. */
export function pieceName(piece: Piece): string {
  return piece.text || ('alt' in piece && piece.alt) || (piece.kind === 'tile' && piece.value) || '…'
}
