import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { Key } from '../board/key'
import { pieceName } from '../board/pieceName'
import type { Place } from '../board/place'
import { measure, type Measure } from '../exact/measure'
import { readTerm } from '../exact/polynomial'
import type { Quantity } from '../exact/quantity'
import { placePieces, type Placement } from '../placement/placement'
import type { SlateState } from '../slate/state'
import type { ItemMark, Reason, Verdict } from './mark'

/** What a marker needs to know: where everything lies, and what it is called. */
export interface MarkContext {
  readonly page: Page
  readonly edition: Edition
  readonly state: SlateState
  readonly placements: readonly Placement[]
  readonly placementOf: (piece: PieceId) => Placement | undefined
  readonly nameOf: (piece: PieceId) => string
  /** Several places are named side by side, as alternatives. */
  readonly headingOf: (...places: readonly PlaceId[]) => string
  readonly placeOf: (place: PlaceId) => Place | undefined
}

/** Null when the key's page is gone. */
export function contextOf(key: Pick<Key, 'page'>, state: SlateState, edition: Edition): MarkContext | null {
  const page = edition.board.pages.find(({ id }) => id === key.page)
  return page ? contextOn(page, state, edition) : null
}

export function contextOn(page: Page, state: SlateState, edition: Edition): MarkContext {
  const placements = placePieces(state, page, edition)
  const byPiece = new Map(placements.map(p => [p.piece, p]))
  return {
    page, edition, state, placements,
    placementOf: piece => byPiece.get(piece),
    nameOf: (piece) => {
      const known = edition.pieces.get(piece)
      if (!known) return piece
      return (known.piece.kind === 'note' && state.texts[piece]) || pieceName(known.piece)
    },
    headingOf: (...places) => places.map(id => edition.places.get(id)?.place.heading || '…').join(' / '),
    placeOf: id => edition.places.get(id)?.place,
  }
}

/** What a tile is worth on the side that shows; null for what is no tile, and for tiles that count a letter. */
export function measureOf({ edition, state }: Pick<MarkContext, 'edition' | 'state'>, piece: PieceId): Measure | null {
  const known = edition.pieces.get(piece)?.piece
  if (known?.kind !== 'tile' || readTerm(known.term ?? '1') !== '1') return null
  return measure(state.pieces[piece]?.flipped && known.other ? known.other.value : known.value)
}

/** The exact value of a tile, amounts in the smallest unit; null for what has none. */
export const valueOf = (context: Pick<MarkContext, 'edition' | 'state'>, piece: PieceId): Quantity | null => measureOf(context, piece)?.amount ?? null

/** A tile as a term of an expression: how many of what. Null for what is no tile. */
export function termOf({ edition, state }: Pick<MarkContext, 'edition' | 'state'>, piece: PieceId): readonly [string, Quantity] | null {
  const known = edition.pieces.get(piece)?.piece
  if (known?.kind !== 'tile') return null
  const side = state.pieces[piece]?.flipped && known.other ? known.other : known
  return [readTerm(known.term ?? '1') ?? '1', measure(side.value).amount]
}

export function itemMark(is: ItemMark['is'], item: string, verdict: Verdict, code: string, words: Reason['words'] = {}, of = 1, points = verdict === 'right' ? of : 0): ItemMark {
  return { item, is, verdict, points, of, reason: { code, words } }
}

/**
 * Marks a set against a set: right when they are the same, not placed when nothing was made, wrong otherwise. Each member
 * asked for counts one point, and each that is too many takes one away, down to nought. `say` names the members for the reason, which tells what is missing and what is too many.
 */
export function setMark(is: ItemMark['is'], item: string, code: string, wanted: ReadonlySet<string>, made: ReadonlySet<string>, say: (member: string) => string, words: Reason['words'] = {}): ItemMark {
  const right = [...wanted].filter(member => made.has(member))
  const missing = [...wanted].filter(member => !made.has(member))
  const extra = [...made].filter(member => !wanted.has(member))
  const names = (members: readonly string[]) => members.map(say).join(', ') || '–'
  const all = { ...words, made: names([...made]), missing: names(missing), extra: names(extra), hits: right.length, of: wanted.size, over: extra.length }
  if (made.size === 0 && wanted.size > 0) return itemMark(is, item, 'not-placed', 'empty', all, wanted.size)
  if (missing.length === 0 && extra.length === 0) return itemMark(is, item, 'right', `${code}-right`, all, wanted.size)
  const how = missing.length === 0 ? 'over' : extra.length === 0 ? 'missing' : 'wrong'
  return itemMark(is, item, 'wrong', `${code}-${how}`, all, wanted.size, Math.max(0, right.length - extra.length))
}
