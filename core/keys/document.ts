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

/** What every key has. */
export const common = { id: KeyIdSchema, page: PageIdSchema }
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

/** The place of a slot, a cell or a gap. */
export const placeOfSpot = (spot: string) => spot.split(':')[0] as PlaceId
