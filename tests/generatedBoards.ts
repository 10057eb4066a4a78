import type { Board } from '../core/board/board'
import type { Key } from '../core/keys/key'
import type { Piece } from '../core/board/piece'
import type { Place } from '../core/board/place'
import type { Random } from '../core/layout/random'
import { masterId, pieceId, placeId } from './boards'
import { box, card, tile } from './keyBoards'
import { made, masters, zone } from './planting'

const WORDS =
  'limpet crab gull wrack shrimp tern whelk dab eider kelp mussel otter puffin ray seal sponge squid starfish swan urchin'.split(
    ' ',
  )
const HEADINGS = ['Rock', 'Sand', 'Water', 'Air', 'Cliff']
const whole = (random: Random, least: number, most: number) => least + Math.floor(random() * (most - least + 1))
function shuffled<T>(random: Random, items: readonly T[]): T[] {
  const left = [...items]
  return items.map(() => left.splice(Math.floor(random() * left.length), 1)[0]!)
}
const some = (random: Random, count: number) => shuffled(random, WORDS).slice(0, count)

/** Boards of the common kinds of task, of any size that a teacher would make, with nothing wrong on them. */
export const KINDS = { sort, slots, order, labels, scale, total } satisfies Record<string, (random: Random) => Board>

function sort(random: Random): Board {
  const zones = whole(random, 2, 4)
  const names = some(random, zones * whole(random, 2, 4))
  const width = Math.floor(880 / zones) - 20
  const places = HEADINGS.slice(0, zones).map((name, i) => zone(name, 40 + i * (width + 20), width))
  const homes = Object.fromEntries(names.map((name, i) => [name, [places[i % zones]!.id]]))
  return made({
    places,
    pieces: names.map(name => card(name)),
    key: { kind: 'sort', homes },
    page: { ledge: unlikeNeighbours(names, zones).map(pieceId) },
  })
}
/** In an order in which no two of a home stand side by side. */
const unlikeNeighbours = (names: readonly string[], homes: number) =>
  Array.from({ length: Math.ceil(names.length / homes) }, (_, i) => names.slice(i * homes, (i + 1) * homes)).flat()

const slot = (id: string, x: number): Place => ({
  kind: 'slot',
  id: placeId(id),
  heading: `For ${id}`,
  shape: box(x, 80, 120, 60),
})
function slots(random: Random): Board {
  const names = some(random, whole(random, 3, 6))
  return made({
    places: names.map((name, i) => slot(`s-${name}`, 20 + i * 150)),
    pieces: names.map(name => card(name)),
    key: { kind: 'slots', fits: Object.fromEntries(names.map(name => [`s-${name}`, [name]])) },
    page: { ledge: turnedRow(names).map(pieceId) },
  })
}
/** An order that shares no neighbours with the right one: the odd ones backwards, then the even ones. */
const turnedRow = (names: readonly string[]) => [
  ...names.filter((_, i) => i % 2 === 1).toReversed(),
  ...names.filter((_, i) => i % 2 === 0).toReversed(),
]

function order(random: Random): Board {
  const names = some(random, whole(random, 4, 7))
  return made({
    places: [{ kind: 'lane', id: placeId('l'), heading: 'In order', direction: 'row', shape: box(20, 60, 900, 120) }],
    pieces: names.map(name => card(name)),
    key: { kind: 'order', lane: 'l', before: names.slice(1).map((n, i) => [names[i], n]), credit: 'all' },
    page: { ledge: turnedRow(names).map(pieceId) },
  })
}

function labels(random: Random): Board {
  const names = some(random, whole(random, 3, 6))
  return made({
    places: names.map((name, i): Place => ({
      kind: 'pin',
      id: placeId(`p-${name}`),
      heading: name,
      shape: { kind: 'ellipse', x: 120 + i * 130, y: 200, width: 20, height: 20 },
    })),
    pieces: names.map((name): Piece => ({
      kind: 'label',
      id: pieceId(name),
      master: masterId('label'),
      text: name,
      tip: 'up',
    })),
    key: { kind: 'label', pins: Object.fromEntries(names.map(name => [name, [`p-${name}`]])) },
    page: { ledge: turnedRow(names).map(pieceId) },
  })
}

function scale(random: Random): Board {
  const most = whole(random, 2, 10) * 10
  const values = shuffled(
    random,
    [1, 2, 3, 4, 5, 6, 7, 8, 9].map(n => (n * most) / 10),
  ).slice(0, whole(random, 3, 5))
  return made({
    places: [
      {
        kind: 'scale',
        id: placeId('line'),
        heading: `0 to ${most}`,
        shape: box(40, 120, 880, 100),
        least: '0',
        most: String(most),
        step: String(most / 10),
      },
    ],
    pieces: values.map((value, i) => tile(`t${i}`, String(value), { text: String(value) })),
    key: {
      kind: 'scale',
      scale: 'line',
      values: Object.fromEntries(values.map((value, i) => [`t${i}`, String(value)])),
      tolerance: String(most / 20),
    },
  })
}

function total(random: Random): Board {
  const values = Array.from({ length: whole(random, 3, 6) }, () => whole(random, 1, 20))
  const target = values.slice(0, 2).reduce((sum, value) => sum + value)
  return made({
    places: [{ kind: 'zone', id: placeId('mat'), heading: 'Mat', shape: box(40, 40, 600, 380) }],
    pieces: values.map((value, i) => tile(`t${i}`, String(value), { text: String(value) })),
    key: { kind: 'total', place: 'mat', target: String(target) },
  })
}

const onPage = (board: Board, change: (page: Board['pages'][number]) => object): Board => ({
  ...board,
  pages: board.pages.map(page => ({ ...page, ...change(page) }) as typeof page),
})
const onPlace = (board: Board, nth: number, change: (place: Place) => object) =>
  onPage(board, ({ places }) => ({
    places: places.map((place, i) => (i === nth % places.length ? { ...place, ...change(place) } : place)),
  }))
const onPiece = (board: Board, nth: number, change: (piece: Piece) => object) =>
  onPage(board, ({ pieces }) => ({
    pieces: pieces.map((piece, i) => (i === nth % pieces.length ? { ...piece, ...change(piece) } : piece)),
  }))
const onKey = <Kind extends Key['kind']>(board: Board, kind: Kind, change: (key: Key & { kind: Kind }) => object) =>
  board.keys[0]?.kind === kind
    ? { ...board, keys: [{ ...board.keys[0], ...change(board.keys[0] as Key & { kind: Kind }) } as Key] }
    : null
/** With what the key says of the nth of its things as another, or without it. */
function onEntry<Value>(
  record: Readonly<Record<string, Value>>,
  nth: number,
  change: (was: Value) => NoInfer<Value> | null,
) {
  const entries = Object.entries(record)
  return Object.fromEntries(
    entries.flatMap(([name, was], i) => {
      const now = i === nth % entries.length ? change(was) : was
      return now === null ? [] : [[name, now]]
    }),
  )
}
const picture = { file: '0'.repeat(64), alt: 'a limpet', pixelWidth: 20, pixelHeight: 20 }

/**
 * Faults that go into boards of any kind, or of some: the board with the fault, or null where it makes none (common
 * practice, no source).
 */
export const FAULTS_OF_ANY: Record<string, (board: Board, nth: number) => Board | null> = {
  'no instructions': board => ({ ...board, instructions: '' }),
  'a place off the page': (board, nth) =>
    onPlace(board, nth, ({ shape }) => ({ shape: shape.kind === 'polygon' ? shape : { ...shape, x: 950 } })),
  'small print on what is moved': board => ({ ...board, masters: board.masters.map(m => ({ ...m, textSize: 6 })) }),
  'two cards with one text': (board, nth) =>
    board.keys[0]?.kind === 'sort' || board.keys[0]?.kind === 'slots' || board.keys[0]?.kind === 'order'
      ? onPiece(board, nth, () => ({
          text: `${board.pages[0]!.pieces[(nth + 1) % board.pages[0]!.pieces.length]!.text} `,
        }))
      : null,
  'pale printed words': board =>
    onPage(board, page => ({
      backdrop: {
        ...page.backdrop,
        figures: [{ id: 'f', shape: box(20, 4, 300, 24), line: null, fill: '#777777', text: 'Read me', textSize: 18 }],
      },
    })),
  'a coarse picture on a card': (board, nth) =>
    board.keys[0]?.kind === 'sort'
      ? {
          ...onPiece(board, nth, piece => ({
            kind: 'picture-card',
            id: piece.id,
            master: 'big',
            ...picture,
            text: piece.text,
          })),
          masters: [
            ...masters,
            { id: masterId('big'), kind: 'picture-card' as const, textSize: 16, width: 200, height: 200 },
          ],
        }
      : null,
  'a card without an answer': (board, nth) =>
    onKey(board, 'sort', ({ homes }) => ({ homes: onEntry(homes, nth, () => null) })),
  'a home that is too small': (board, nth) =>
    board.keys[0]?.kind === 'sort'
      ? onPlace(board, nth, ({ shape }) => ({ shape: { ...shape, width: 60, height: 30 } }))
      : null,
  'homes side by side on the ledge': board =>
    onKey(board, 'sort', key => key)
    && onPage(board, ({ pieces }) => {
      const homes = (board.keys[0] as Key & { kind: 'sort' }).homes
      return { ledge: pieces.map(p => p.id).toSorted((a, b) => (homes[a]![0]! < homes[b]![0]! ? -1 : 1)) }
    }),
  'a place without a heading': (board, nth) =>
    board.keys[0]?.kind === 'sort' ? onPlace(board, nth, () => ({ heading: '' })) : null,
  'a ledge in the right order': board =>
    board.keys[0]?.kind === 'order' || board.keys[0]?.kind === 'slots'
      ? onPage(board, ({ pieces }) => ({ ledge: pieces.map(p => p.id) }))
      : null,
  'a slot that asks for the card of another': (board, nth) =>
    onKey(board, 'slots', ({ fits }) => ({
      fits: onEntry(fits, nth, () => Object.values(fits)[(nth + 1) % Object.keys(fits).length]!),
    })),
  'an order in a circle': board =>
    onKey(board, 'order', ({ before }) => ({ before: [...before, [before.at(-1)![1], before[0]![0]]] })),
  'a lane too short for its cards': board =>
    board.keys[0]?.kind === 'order'
      ? onPlace(board, 0, ({ shape }) => ({ shape: { ...shape, width: 180, height: 44 } }))
      : null,
  'a label with nothing to point at': (board, nth) =>
    onKey(board, 'label', ({ pins }) => ({ pins: onEntry(pins, nth, () => []) })),
  'a value beyond the scale': (board, nth) =>
    onKey(board, 'scale', ({ values }) => ({ values: onEntry(values, nth, () => '1000') })),
  'a total that nothing makes': board => onKey(board, 'total', () => ({ target: '999' })),
  'a total of nothing': board => onKey(board, 'total', () => ({ target: '0' })),
}
