import { binOf } from '../board/binOf'
import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { Place } from '../board/place'
import { measure, type Measure } from '../exact/measure'
import { readTerm } from '../exact/polynomial'
import type { Quantity } from '../exact/quantity'
import { placePieces, type Placement } from '../placement/placement'
import { isStaged } from '../placement/staged'
import { isSeen } from '../slate/own'
import { strokesOf, type SlateState } from '../slate/state'
import { placeOfSpot } from './document'
import type { Key } from './key'

/** What a marker needs to know: where everything lies on a page. */
export interface MarkContext {
  readonly page: Page
  readonly edition: Edition
  readonly state: SlateState
  readonly placements: readonly Placement[]
  /** What lies or stands under a key's name for it: the piece itself, or every copy taken from the bin. */
  readonly named: (piece: PieceId) => readonly Placement[]
  /** Somebody has done something on the page: what is right because nothing is to be there counts from then on. */
  readonly begun: boolean
  readonly placeOf: (place: PlaceId) => Place | undefined
}

/** Null when the key's page is gone. */
export function contextOf(key: Pick<Key, 'page'>, state: SlateState, edition: Edition): MarkContext | null {
  const page = edition.board.pages.find(({ id }) => id === key.page)
  return page ? contextOn(page, state, edition) : null
}

export function contextOn(page: Page, state: SlateState, edition: Edition): MarkContext {
  const placements = placePieces(state, page, edition)
  const byName = new Map<PieceId, Placement[]>()
  for (const placement of placements) {
    const name = keyName(placement.piece)
    const others = byName.get(name)
    if (others) others.push(placement)
    else byName.set(name, [placement])
  }
  return {
    page,
    edition,
    state,
    placements,
    named: piece => byName.get(piece) ?? [],
    begun: hasBegun(page, state, placements),
    placeOf: id => edition.places.get(id)?.place,
  }
}

/** By which name keys know a piece: a copy by that of its bin, for any copy is as good as the other. */
export const keyName = (piece: PieceId): PieceId => binOf(piece) ?? piece

function hasBegun(page: Page, state: SlateState, placements: readonly Placement[]): boolean {
  if (placements.some(placement => !isStaged(placement, page, state))) return true
  const places = new Set<string>(page.places.map(place => place.id))
  if (Object.keys(state.texts).some(name => places.has(placeOfSpot(name)) && state.texts[name]!.trim())) return true
  if (strokesOf(state).some(([, stroke]) => places.has(stroke.place))) return true
  return Object.values(state.own).some(thing => thing.page === page.id && isSeen(thing))
}

type Tiles = Pick<MarkContext, 'edition' | 'state'>

/** What a tile is worth on the side that shows; null for what is no tile, and for tiles that count a letter. */
export function measureOf({ edition, state }: Tiles, piece: PieceId): Measure | null {
  const known = edition.pieces.get(piece)?.piece
  if (known?.kind !== 'tile' || readTerm(known.term ?? '1') !== '1') return null
  return measure(state.pieces[piece]?.flipped && known.other ? known.other.value : known.value)
}

/** The exact value of a tile, amounts in the smallest unit; null for what has none. */
export const valueOf = (context: Tiles, piece: PieceId): Quantity | null => measureOf(context, piece)?.amount ?? null

/** A tile as a term of an expression: how many of what. Null for what is no tile. */
export function termOf({ edition, state }: Tiles, piece: PieceId): readonly [string, Quantity] | null {
  const known = edition.pieces.get(piece)?.piece
  if (known?.kind !== 'tile') return null
  const side = state.pieces[piece]?.flipped && known.other ? known.other : known
  return [readTerm(known.term ?? '1') ?? '1', measure(side.value).amount]
}
