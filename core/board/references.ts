import type { FigureId, PieceId, PlaceId } from './ids'
import type { Key } from './key'

interface References { readonly pieces: readonly PieceId[], readonly places: readonly PlaceId[], readonly figures: readonly FigureId[] }

/** The pieces, places and fixed figures that a key names, each as often as it does. */
export function referencesOf(key: Key): References {
  const named = ({ pieces = [], places = [], figures = [] }: Partial<References>): References => ({ pieces, places, figures })
  switch (key.kind) {
    case 'sort': return named({ pieces: ids(key.homes), places: Object.values(key.homes).flat() })
    case 'order': return named({ pieces: key.before.flat(), places: [key.lane] })
    case 'slots': return named({ pieces: Object.values(key.fits).flat(), places: [...Object.keys(key.fits), ...key.alike?.flat() ?? []].map(placeOf) })
    case 'match': return named({ pieces: key.sets.flat(), places: key.where })
    case 'total': return named({ places: [key.place, ...key.ways ?? []] })
    case 'balance': return named({ places: [key.left, key.right] })
    case 'expression': return named({ places: [key.place] })
    case 'scale': return named({ pieces: ids(key.values), places: [key.scale] })
    case 'label': return named({ pieces: ids(key.pins), places: Object.values(key.pins).flat() })
    case 'cover': return named({ places: [key.grid] })
    case 'arrows': return named({ pieces: key.arrows.flat() })
    case 'write': return named({ places: Object.keys(key.answers).map(placeOf) })
    case 'ink': return named({ places: [key.place], figures: figuresOf(key.task) })
    case 'vote': return named({ places: key.places })
    case 'spectrum': return named({ pieces: key.pieces, places: [key.scale] })
  }
}

function figuresOf(task: Extract<Key, { kind: 'ink' }>['task']): FigureId[] {
  switch (task.what) {
    case 'symmetry': return task.figures
    case 'circle': return [...task.figures, ...task.answers]
    case 'join': return task.pairs.flat()
  }
}

const ids = (record: Readonly<Record<PieceId, unknown>>) => Object.keys(record) as PieceId[]
/** The place of a slot, a cell or a gap. */
const placeOf = (slot: string) => slot.split(':')[0] as PlaceId
const some = <K extends Key>(key: K, list: readonly unknown[]): K | null => list.length ? key : null

/** The key without a piece; null when nothing is left of it. */
export function withoutPiece(key: Key, piece: PieceId): Key | null {
  const others = <T>(record: Readonly<Record<PieceId, T>>) => Object.fromEntries(Object.entries(record).filter(([id]) => id !== piece)) as Record<PieceId, T>
  switch (key.kind) {
    case 'sort': {
      const homes = others(key.homes)
      return some({ ...key, homes }, ids(homes))
    }
    case 'scale': {
      const values = others(key.values)
      return some({ ...key, values }, ids(values))
    }
    case 'label': {
      const pins = others(key.pins)
      return some({ ...key, pins }, ids(pins))
    }
    case 'slots': return { ...key, fits: Object.fromEntries(Object.entries(key.fits).map(([slot, pieces]) => [slot, pieces.filter(id => id !== piece)])) }
    case 'match': {
      const sets = key.sets.map(set => set.filter(id => id !== piece)).filter(set => set.length > 1)
      return some({ ...key, sets }, sets)
    }
    case 'order': {
      // What came before it still comes before what came after it.
      const before = [...key.before.filter(pair => !pair.includes(piece)),
        ...key.before.filter(([, b]) => b === piece).flatMap(([a]) => key.before.filter(([x]) => x === piece).map(([, c]): [PieceId, PieceId] => [a, c]))]
      return some({ ...key, before }, before)
    }
    case 'arrows': {
      const arrows = key.arrows.filter(pair => !pair.includes(piece))
      return some({ ...key, arrows }, arrows)
    }
    case 'spectrum': {
      const pieces = key.pieces.filter(id => id !== piece)
      return some({ ...key, pieces }, pieces)
    }
    case 'total': case 'balance': case 'expression': case 'cover': case 'write': case 'ink': case 'vote': return key
  }
}

/** The key without a fixed figure; null when nothing is left of it. */
export function withoutFigure(key: Key, figure: FigureId): Key | null {
  if (key.kind !== 'ink') return key
  const others = (ids: readonly FigureId[]) => ids.filter(id => id !== figure)
  const { task } = key
  switch (task.what) {
    case 'symmetry': return some({ ...key, task: { ...task, figures: others(task.figures) } }, others(task.figures))
    case 'circle': return some({ ...key, task: { ...task, figures: others(task.figures), answers: others(task.answers) } }, others(task.answers))
    case 'join': {
      const pairs = task.pairs.filter(pair => !pair.includes(figure))
      return some({ ...key, task: { ...task, pairs } }, pairs)
    }
  }
}

/** The key without a place; null when it was about that place. */
export function withoutPlace(key: Key, place: PlaceId): Key | null {
  // A piece whose only home is gone has no answer any more; that it belongs nowhere was never said.
  const homesWithout = (homes: Readonly<Record<PieceId, PlaceId[]>>) => Object.fromEntries(Object.entries(homes)
    .filter(([, all]) => !(all.length === 1 && all[0] === place)).map(([piece, all]) => [piece, all.filter(id => id !== place)])) as Record<PieceId, PlaceId[]>
  const elsewhere = <T>(record: Readonly<Record<string, T>>) => Object.fromEntries(Object.entries(record).filter(([slot]) => placeOf(slot) !== place))
  switch (key.kind) {
    case 'sort': {
      const homes = homesWithout(key.homes)
      return some({ ...key, homes }, ids(homes))
    }
    case 'label': {
      const pins = homesWithout(key.pins)
      return some({ ...key, pins }, ids(pins))
    }
    case 'slots': {
      const fits = elsewhere(key.fits)
      const alike = key.alike?.map(group => group.filter(slot => slot in fits)).filter(group => group.length > 1)
      return some({ ...key, fits, ...(alike && { alike }) }, Object.keys(fits))
    }
    case 'match': {
      const where = key.where.filter(id => id !== place)
      // With the last of its places gone it must not turn into "wherever they touch" by itself.
      return key.where.length && where.length === 0 ? null : { ...key, where }
    }
    case 'total': return key.place === place ? null : { ...key, ...(key.ways && { ways: key.ways.filter(id => id !== place) }) }
    case 'write': {
      const answers = elsewhere(key.answers)
      return some({ ...key, answers }, Object.keys(answers))
    }
    case 'vote': {
      const places = key.places.filter(id => id !== place)
      return some({ ...key, places }, places)
    }
    case 'order': return key.lane === place ? null : key
    case 'scale': case 'spectrum': return key.scale === place ? null : key
    case 'balance': return key.left === place || key.right === place ? null : key
    case 'expression': case 'ink': return key.place === place ? null : key
    case 'cover': return key.grid === place ? null : key
    case 'arrows': return key
  }
}
