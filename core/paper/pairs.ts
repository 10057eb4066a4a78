import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'

/** What stands on the two sides of a card: a piece, and another piece or words. */
export interface Pair {
  readonly front: PieceId
  readonly back: { readonly piece: PieceId } | { readonly words: string }
}

/**
 * What belongs together on a board, by its keys: the first two pieces of each set that is matched, and each piece with
 * the heading of its only home. Of a piece in both, the match counts; what has no words and no other piece is left out.
 */
export function pairsOf({ board, places, pieces }: Edition): Pair[] {
  const matched = board.keys.flatMap((key): Pair[] =>
    key.kind === 'match'
      ? key.sets.flatMap(([front, back]) => (front && back ? [{ front, back: { piece: back } }] : []))
      : [],
  )
  const taken = new Set(matched.flatMap(({ front, back }) => ('piece' in back ? [front, back.piece] : [front])))
  const sorted = board.keys.flatMap((key): Pair[] => {
    if (key.kind !== 'sort' || key.regions) return []
    return (Object.entries(key.homes) as [PieceId, (typeof key.homes)[PieceId]][]).flatMap(([piece, homes]) => {
      const words = homes?.length === 1 ? (places.get(homes[0]!)?.place.heading ?? '') : ''
      return words && !taken.has(piece) && pieces.get(piece) ? [{ front: piece, back: { words } }] : []
    })
  })
  return [...matched.filter(({ front }) => pieces.get(front)), ...sorted]
}
