import * as v from 'valibot'
import type { FigureId, KeyId, PageId, PieceId, PlaceId } from '../board/ids'
import { arrowsDocument } from './arrows/key'
import { balanceDocument } from './balance/key'
import { coverDocument } from './cover/key'
import { mappedAlso, type IdMap, type KeyDocument } from './document'
import { expressionDocument } from './expression/key'
import { inkDocument } from './ink/key'
import { labelDocument } from './label/key'
import { matchDocument } from './match/key'
import { orderDocument } from './order/key'
import { scaleDocument } from './scale/key'
import { slotsDocument } from './slots/key'
import { sortDocument } from './sort/key'
import { spectrumDocument } from './spectrum/key'
import { totalDocument } from './total/key'
import { voteDocument } from './vote/key'
import { writeDocument } from './write/key'

/**
 * Every kind of key as it stands in a board. What it does stands in `kinds.ts`, which doesn't compile without one of
 * them.
 */
const DOCUMENTS = {
  sort: sortDocument,
  order: orderDocument,
  slots: slotsDocument,
  match: matchDocument,
  total: totalDocument,
  balance: balanceDocument,
  expression: expressionDocument,
  scale: scaleDocument,
  label: labelDocument,
  cover: coverDocument,
  arrows: arrowsDocument,
  write: writeDocument,
  ink: inkDocument,
  vote: voteDocument,
  spectrum: spectrumDocument,
}
type Documents = typeof DOCUMENTS

export type KeyKind = keyof Documents
export type KeyOf<Kind extends KeyKind> = v.InferOutput<Documents[Kind]['schema']>
export type Key = { [Kind in KeyKind]: KeyOf<Kind> }[KeyKind]
export const KEY_KINDS = Object.keys(DOCUMENTS) as readonly KeyKind[]

export const KeySchema = v.variant(
  'kind',
  Object.values(DOCUMENTS).map(document => document.schema),
)

// A key's kind picks its own document; TypeScript can't follow that pairing through the lookup.
function mapped<K extends Key>(key: K, to: IdMap): K | null {
  const made = (DOCUMENTS[key.kind] as unknown as KeyDocument<v.GenericSchema<K>>).mapped(key, to)
  if (!made?.also) return made
  const { also: _, ...without } = made
  const also = mappedAlso(made.also, to)
  return (also.length ? { ...without, also } : without) as K
}

const ALL: IdMap = { piece: id => id, place: id => id, figure: id => id }

/** The pieces, places and fixed figures that a key names. */
export interface References {
  readonly pieces: readonly PieceId[]
  readonly places: readonly PlaceId[]
  readonly figures: readonly FigureId[]
}

export function referencesOf(key: Key): References {
  const named = { pieces: [] as PieceId[], places: [] as PlaceId[], figures: [] as FigureId[] }
  const noting =
    <Id>(list: Id[]) =>
    (id: Id) => {
      list.push(id)
      return id
    }
  mapped(key, { piece: noting(named.pieces), place: noting(named.places), figure: noting(named.figures) })
  return named
}

const without =
  <Id>(gone: Id) =>
  (id: Id) =>
    id === gone ? null : id

/** The key without a piece; null when nothing is left of it. */
export const withoutPiece = (key: Key, piece: PieceId): Key | null => mapped(key, { ...ALL, piece: without(piece) })

/** The key without a place; null when it was about that place. */
export const withoutPlace = (key: Key, place: PlaceId): Key | null => mapped(key, { ...ALL, place: without(place) })

/** The key without a fixed figure; null when nothing is left of it. */
export const withoutFigure = (key: Key, figure: FigureId): Key | null =>
  mapped(key, { ...ALL, figure: without(figure) })

/** The key under other ids, all of them. */
export function renamedKey(key: Key, to: <Id extends string>(id: Id) => Id): Key {
  return {
    ...(mapped(key, { piece: to, place: to, figure: to }) ?? key),
    id: to<KeyId>(key.id),
    page: to<PageId>(key.page),
  }
}

/** The keys of one kind on a page, in the order of the board. */
export function keysOn<Kind extends KeyKind>(keys: readonly Key[], page: PageId, kind: Kind): KeyOf<Kind>[] {
  return keys.filter((key): key is Key & KeyOf<Kind> => key.kind === kind && key.page === page)
}
