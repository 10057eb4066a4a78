import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { Key } from '../board/key'
import { pieceName, type Tile } from '../board/piece'
import type { Place } from '../board/place'
import { quantity, type Quantity } from '../exact/quantity'
import { placePieces, type Placement } from '../placement/placement'
import type { SlateState } from '../slate/state'
import type { ItemMark, Reason, Verdict } from './mark'

/** What a marker needs to know: where everything lies, and what it is called. */
export interface MarkContext {
  readonly page: Page
  readonly edition: Edition
  readonly placements: readonly Placement[]
  readonly placementOf: (piece: PieceId) => Placement | undefined
  readonly nameOf: (piece: PieceId) => string
  /** Several places are named side by side, as alternatives. */
  readonly headingOf: (...places: readonly PlaceId[]) => string
  readonly placeOf: (place: PlaceId) => Place | undefined
}

/** Null when the key's page is gone. */
export function contextOf(key: Key, state: SlateState, edition: Edition): MarkContext | null {
  const page = edition.board.pages.find(({ id }) => id === key.page)
  if (!page) return null
  const placements = placePieces(state, page, edition)
  const byPiece = new Map(placements.map(p => [p.piece, p]))
  return {
    page, edition, placements,
    placementOf: piece => byPiece.get(piece),
    nameOf: (piece) => {
      const known = edition.pieces.get(piece)
      return known ? pieceName(known.piece) : piece
    },
    headingOf: (...places) => places.map(id => edition.places.get(id)?.place.heading || '…').join(' / '),
    placeOf: id => edition.places.get(id)?.place,
  }
}

/** The exact value of a tile; null for what has none. */
export function valueOf(context: MarkContext, piece: PieceId): Quantity | null {
  const known = context.edition.pieces.get(piece)?.piece
  return known?.kind === 'tile' ? quantity((known satisfies Tile).value) : null
}

export function itemMark(is: ItemMark['is'], item: string, verdict: Verdict, code: string, words: Reason['words'] = {}, of = 1, points = verdict === 'right' ? of : 0): ItemMark {
  return { item, is, verdict, points, of, reason: { code, words } }
}
