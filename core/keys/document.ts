import * as v from 'valibot'
import {
  FigureIdSchema,
  KeyIdSchema,
  PageIdSchema,
  PieceIdSchema,
  PlaceIdSchema,
  type FigureId,
  type PieceId,
  type PlaceId,
} from '../board/ids'
import { ITEM_KINDS, WordSchema, type Word } from './reason'

export const MOST_ALSO = 100
/** What was said of an item that is right as well by the teacher's word: whatever is said to be so is right. */
const AlsoSchema = v.object({
  item: v.pipe(v.string(), v.minLength(1), v.maxLength(80)),
  is: v.picklist(ITEM_KINDS),
  code: v.pipe(v.string(), v.maxLength(40)),
  words: v.record(v.pipe(v.string(), v.maxLength(40)), WordSchema),
})
export type Also = v.InferOutput<typeof AlsoSchema>

/** What every key has. */
export const common = {
  id: KeyIdSchema,
  page: PageIdSchema,
  also: v.optional(v.pipe(v.array(AlsoSchema), v.maxLength(MOST_ALSO))),
}
export const PiecesSchema = v.pipe(v.array(PieceIdSchema), v.maxLength(200))
export const PlacesSchema = v.pipe(v.array(PlaceIdSchema), v.maxLength(60))
export const FiguresSchema = v.pipe(v.array(FigureIdSchema), v.maxLength(100))

/** Where each id in a key goes; null where what it names is gone. */
export interface IdMap {
  readonly piece: (id: PieceId) => PieceId | null
  readonly place: (id: PlaceId) => PlaceId | null
  readonly figure: (id: FigureId) => FigureId | null
}

/**
 * A kind of key as it stands in a board. `mapped` is the one place that knows where in the key ids are: it gives the
 * key with every id mapped, without what hung on an id that is gone; null when nothing is left of it.
 */
export interface KeyDocument<Schema extends v.GenericSchema> {
  readonly schema: Schema
  readonly mapped: (key: v.InferOutput<Schema>, to: IdMap) => v.InferOutput<Schema> | null
}

export const documentOf = <Schema extends v.GenericSchema>(document: KeyDocument<Schema>): KeyDocument<Schema> =>
  document

type To<Id> = (id: Id) => Id | null

export const mappedAll = <Id>(ids: readonly Id[], to: To<Id>): Id[] => ids.flatMap(id => to(id) ?? [])

/** Pairs of which one is gone are gone. */
export const mappedPairs = <Id>(pairs: readonly (readonly [Id, Id])[], to: To<Id>): [Id, Id][] =>
  pairs.flatMap(([a, b]): [Id, Id][] => {
    const [x, y] = [to(a), to(b)]
    return x === null || y === null ? [] : [[x, y]]
  })

/** Entries of which the name, or (null) the value, is gone are gone. */
export function mappedRecord<Name extends string, T>(
  record: Readonly<Record<Name, T>>,
  to: To<Name>,
  value: (value: T) => T | null = same => same,
): Record<Name, T> {
  return Object.fromEntries(
    (Object.entries(record) as [Name, T][]).flatMap(([name, entry]) => {
      const [mapped, kept] = [to(name), value(entry)]
      return mapped === null || kept === null ? [] : [[mapped, kept]]
    }),
  ) as Record<Name, T>
}

/** A slot, a cell or a gap by the name of its place; what stands behind the colon stays. */
export const mappedSpot =
  (to: To<PlaceId>) =>
  (spot: string): string | null => {
    const [place, ...rest] = spot.split(':')
    const mapped = to(place as PlaceId)
    return mapped === null ? null : [mapped, ...rest].join(':')
  }

/**
 * Homes of a piece; of one whose only home is gone nothing is known any more: that it belongs nowhere was never said.
 */
export const mappedHomes =
  (to: IdMap) =>
  (homes: PlaceId[]): PlaceId[] | null => {
    const kept = mappedAll(homes, to.place)
    return homes.length > 0 && kept.length === 0 ? null : kept
  }

/** The key, unless it has lost the last of what it had. */
export const unlessLost = <K>(key: K, before: readonly unknown[], after: readonly unknown[]): K | null =>
  after.length > 0 || before.length === 0 ? key : null

/** What is right as well, under other ids; what named something that is gone is gone. */
export function mappedAlso(also: readonly Also[], to: IdMap): Also[] {
  return also.flatMap(one => {
    const item = mappedItem(one, to)
    const words = Object.entries(one.words).map(([name, word]) => [name, mappedWord(word, to)] as const)
    const whole = words.every((entry): entry is readonly [string, Word] => entry[1] !== null)
    return item === null || !whole ? [] : [{ ...one, item, words: Object.fromEntries(words) }]
  })
}

function mappedItem({ item, is }: Pick<Also, 'item' | 'is'>, to: IdMap): string | null {
  if (is === 'key') return item
  if (is === 'place') return mappedSpot(to.place)(item)
  if (is === 'figure') return to.figure(item as FigureId)
  const [bin, ...copy] = item.split('~')
  const mapped = to.piece(bin as PieceId)
  return mapped === null ? null : [mapped, ...copy].join('~')
}

function mappedWord(word: Word, to: IdMap): Word | null {
  const all = <Id>(ids: readonly Id[], each: To<Id>) => {
    const kept = mappedAll(ids, each)
    return kept.length === ids.length ? kept : null
  }
  const wrapped = <Id, W>(ids: readonly Id[], each: To<Id>, wrap: (kept: Id[]) => W): W | null => {
    const kept = all(ids, each)
    return kept && wrap(kept)
  }
  if (typeof word !== 'object') return word
  if ('anyPlace' in word) return wrapped(word.anyPlace, to.place, anyPlace => ({ anyPlace }))
  if ('allPlaces' in word) return wrapped(word.allPlaces, to.place, allPlaces => ({ allPlaces }))
  if ('pieces' in word) return wrapped(word.pieces, to.piece, pieces => ({ pieces }))
  if ('anyPiece' in word) return wrapped(word.anyPiece, to.piece, anyPiece => ({ anyPiece }))
  if ('figures' in word) return wrapped(word.figures, to.figure, figures => ({ figures }))
  if ('cells' in word) {
    const grid = to.place(word.grid)
    return grid === null ? null : { ...word, grid }
  }
  if ('joins' in word) {
    const joins = mappedPairs(word.joins, to.figure)
    return joins.length === word.joins.length ? { joins } : null
  }
  const arrows = mappedPairs(word.arrows, to.piece)
  return arrows.length === word.arrows.length ? { ...word, arrows } : null
}

/** The place of a slot, a cell or a gap. */
export const placeOfSpot = (spot: string) => spot.split(':')[0] as PlaceId
