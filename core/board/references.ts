import type { PieceId, PlaceId } from './ids'
import type { Key } from './key'

/** The pieces and places that a key names, each as often as it does. */
export function referencesOf(key: Key): { pieces: PieceId[], places: PlaceId[] } {
  switch (key.kind) {
    case 'sort': return { pieces: ids(key.homes), places: Object.values(key.homes).flat() }
    case 'order': return { pieces: key.before.flat(), places: [key.lane] }
    case 'slots': return { pieces: Object.values(key.fits).flat(), places: [...Object.keys(key.fits), ...key.alike?.flat() ?? []].map(slot => slot.split(':')[0] as PlaceId) }
    case 'total': return { pieces: [], places: [key.place] }
    case 'balance': return { pieces: [], places: [key.left, key.right] }
    case 'scale': return { pieces: ids(key.values), places: [key.scale] }
    case 'label': return { pieces: ids(key.pins), places: Object.values(key.pins).flat() }
  }
}

const ids = (record: Readonly<Record<PieceId, unknown>>) => Object.keys(record) as PieceId[]

/** The key without a piece; null when nothing is left of it. */
export function withoutPiece(key: Key, piece: PieceId): Key | null {
  const others = <T>(record: Readonly<Record<PieceId, T>>) => Object.fromEntries(Object.entries(record).filter(([id]) => id !== piece)) as Record<PieceId, T>
  switch (key.kind) {
    case 'sort': return { ...key, homes: others(key.homes) }
    case 'scale': return { ...key, values: others(key.values) }
    case 'label': return { ...key, pins: others(key.pins) }
    case 'slots': return { ...key, fits: Object.fromEntries(Object.entries(key.fits).map(([slot, pieces]) => [slot, pieces.filter(id => id !== piece)])) }
    case 'order': {
      // What came before it still comes before what came after it.
      const before = [...key.before.filter(pair => !pair.includes(piece)),
        ...key.before.filter(([, b]) => b === piece).flatMap(([a]) => key.before.filter(([x]) => x === piece).map(([, c]): [PieceId, PieceId] => [a, c]))]
      return before.length ? { ...key, before } : null
    }
    case 'total': case 'balance': return key
  }
}

/** The key without a place; null when it was about that place. */
export function withoutPlace(key: Key, place: PlaceId): Key | null {
  // A piece whose only home is gone has no answer any more; that it belongs nowhere was never said.
  const homesWithout = (homes: Readonly<Record<PieceId, PlaceId[]>>) => Object.fromEntries(Object.entries(homes)
    .filter(([, all]) => !(all.length === 1 && all[0] === place)).map(([piece, all]) => [piece, all.filter(id => id !== place)])) as Record<PieceId, PlaceId[]>
  switch (key.kind) {
    case 'sort': return { ...key, homes: homesWithout(key.homes) }
    case 'label': return { ...key, pins: homesWithout(key.pins) }
    case 'slots': {
      const fits = Object.fromEntries(Object.entries(key.fits).filter(([slot]) => slot.split(':')[0] !== place))
      const alike = key.alike?.map(group => group.filter(slot => slot in fits)).filter(group => group.length > 1)
      return Object.keys(fits).length ? { ...key, fits, ...(alike && { alike }) } : null
    }
    case 'order': return key.lane === place ? null : key
    case 'total': return key.place === place ? null : key
    case 'scale': return key.scale === place ? null : key
    case 'balance': return key.left === place || key.right === place ? null : key
  }
}
