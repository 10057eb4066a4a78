import fc from 'fast-check'
import { readBoard } from '../core/board/board'
import { makeEdition } from '../core/board/edition'
import type { PieceId } from '../core/board/ids'
import { FILL_NAMES, INK_NAMES } from '../core/board/inks'
import { TOOLS } from '../core/board/tools'
import type { Author } from '../core/slate/actor'
import type { Move } from '../core/slate/move'
import { colourId, SHAPES, SIGNS, type Own } from '../core/slate/own'
import { masterId, pieceId, placeId, shore } from './boards'

/**
 * The shore with a bin of counters that flip, a note, a piece that turns and one staged, room to write, gaps and a
 * drawing space.
 */
function richBoard() {
  const board = shore()
  const page = board.pages[0]!
  const master = masterId('m')
  const box = (x: number) => ({ kind: 'rectangle' as const, x, y: 400, width: 100, height: 60 })
  const pieces = [
    ...page.pieces.map((piece, i) => (i === 0 ? { ...piece, turns: true } : piece)),
    {
      kind: 'tile' as const,
      id: pieceId('bin'),
      master,
      text: '1',
      value: '1',
      bin: true,
      turns: true,
      other: { text: '−1', value: '-1' },
    },
    { kind: 'note' as const, id: pieceId('note'), master, text: 'Why?' },
  ]
  const read = readBoard({
    ...board,
    tools: [...TOOLS],
    pages: [
      {
        ...page,
        pieces,
        ledge: pieces.map(p => p.id),
        arrows: true,
        staged: { c5: { x: 50, y: 60 } },
        places: [
          ...page.places,
          { kind: 'writing', id: placeId('w'), heading: 'Rule', shape: box(0), lines: 'one', textSize: 18 },
          {
            kind: 'gaps',
            id: placeId('g'),
            heading: '',
            shape: box(120),
            text: 'The __ and the ____.',
            textSize: 18,
            typed: true,
            gap: { width: 60, height: 30 },
          },
          { kind: 'drawing', id: placeId('d'), heading: '', shape: box(240) },
        ],
      },
    ],
  })
  if (!read.ok) throw new Error(JSON.stringify(read.reason))
  return read.value
}

export const edition = makeEdition(richBoard())
const page = edition.board.pages[0]!
const anyPiece = fc.constantFrom(
  ...page.pieces.map(p => p.id).filter(id => id !== 'bin'),
  'bin~aaaa' as PieceId,
  'bin~bbbb' as PieceId,
)
const anyX = fc.double({ min: 0, max: page.width, noNaN: true })
const anyY = fc.double({ min: 0, max: page.height, noNaN: true })
const anyZ = fc.integer({ min: 0, max: 1000 })
const anyPosition = fc.record({ x: anyX, y: anyY, z: anyZ })
const anyStroke = fc.constantFrom('stroke-a', 'stroke-b', 'stroke-c')
const anyArrow = fc.constantFrom(['c0', 'c1'], ['c1', 'c0'], ['c2', 'bin~aaaa']) as fc.Arbitrary<[PieceId, PieceId]>
const onPage = { page: fc.constant(page.id) }
const anyInk = fc.constantFrom(...INK_NAMES)
const anyFill = fc.constantFrom(...FILL_NAMES)
const anyWidth = fc.constantFrom('thin' as const, 'medium' as const, 'thick' as const)
const anyBox = { x: anyX, y: anyY, width: fc.integer({ min: 4, max: 300 }), height: fc.integer({ min: 4, max: 300 }) }
const anyEnd = fc
  .record({ x: anyX, y: anyY, on: fc.constantFrom(undefined, 'c0' as PieceId, 'c1' as PieceId) })
  .map(({ on, ...at }) => ({ ...at, ...(on && { on }) }))
/** One of every kind that can be made on the rich board. */
export const anyOwn: { readonly [Kind in Own['kind']]: fc.Arbitrary<Extract<Own, { kind: Kind }>> } = {
  text: fc.record({
    kind: fc.constant('text' as const),
    ...onPage,
    ...anyBox,
    ink: anyInk,
    size: fc.constantFrom('small' as const, 'large' as const),
    text: fc.string({ maxLength: 12 }),
  }),
  note: fc.record({
    kind: fc.constant('note' as const),
    ...onPage,
    ...anyBox,
    fill: anyFill,
    text: fc.string({ maxLength: 12 }),
  }),
  ink: fc.record({
    kind: fc.constant('ink' as const),
    ...onPage,
    wide: anyWidth,
    points: fc.array(fc.tuple(anyX, anyY), { minLength: 1, maxLength: 4 }),
    pen: fc.oneof(
      fc.record({ tip: fc.constant('pen' as const), ink: anyInk }),
      fc.record({ tip: fc.constant('highlighter' as const), fill: anyFill }),
    ),
  }),
  line: fc.record({
    kind: fc.constant('line' as const),
    ...onPage,
    ink: anyInk,
    wide: anyWidth,
    from: anyEnd,
    to: anyEnd,
    head: fc.boolean(),
  }),
  shape: fc.record({
    kind: fc.constant('shape' as const),
    ...onPage,
    ...anyBox,
    ink: anyInk,
    wide: anyWidth,
    shape: fc.constantFrom(...SHAPES),
    fill: fc.option(anyFill),
  }),
  picture: fc.record({
    kind: fc.constant('picture' as const),
    ...onPage,
    ...anyBox,
    picture: fc.constantFrom('photo-a', 'photo-b'),
    from: fc.constantFrom('device' as const, 'camera' as const, 'library' as const),
    alt: fc.string({ maxLength: 8 }),
  }),
  sign: fc.record({
    kind: fc.constant('sign' as const),
    ...onPage,
    x: anyX,
    y: anyY,
    ink: anyInk,
    sign: fc.constantFrom(...SIGNS),
  }),
  colour: fc.record({
    kind: fc.constant('colour' as const),
    ...onPage,
    place: fc.constantFrom(placeId('z0'), placeId('z1')),
    fill: anyFill,
  }),
}
/** What one makes is of one kind for good, so each kind has names of its own. */
export const ownMoveBy = (by: Author): fc.Arbitrary<Move> =>
  fc.oneof(
    ...Object.entries(anyOwn).map(([kind, any]) =>
      fc
        .tuple(any as fc.Arbitrary<Own>, fc.constantFrom('a', 'b'), fc.integer({ min: 0, max: 3 }))
        .map(([as, name, chance]): Move => ({
          kind: 'own',
          thing: as.kind === 'colour' ? colourId(as.place) : `${kind}-thing-${name}`,
          as: chance ? as : null,
          by,
          ...(chance === 2 && { gone: true as const }),
        })),
    ),
  )
const anyRun = fc.constantFrom('run-a', 'run-b', 'run-c')
const anyNumber = fc.integer({ min: 0, max: 12 })
const anyLetters = fc
  .tuple(anyRun, anyNumber, fc.integer({ min: 1, max: 4 }))
  .map(([run, from, length]): [string, number, number] => [run, from, from + length])
/** Letters under names that are there, were there, or never were. */
const anyEdit: fc.Arbitrary<Move> = fc
  .record({
    name: fc.constantFrom('w', 'g:0', 'note'),
    put: fc.option(
      fc.record({
        run: anyRun,
        from: anyNumber,
        after: fc.option(fc.tuple(anyRun, anyNumber)),
        text: fc.string({ minLength: 1, maxLength: 4 }),
      }),
    ),
    cut: fc.option(fc.array(anyLetters, { maxLength: 2 })),
    back: fc.option(fc.array(anyLetters, { maxLength: 2 })),
  })
  .map(({ name, put, cut, back }) => ({
    kind: 'edit',
    in: { of: 'text', name },
    ...(put && { put }),
    ...(cut && { cut }),
    ...(back && { back }),
  }))
export const anyMove: fc.Arbitrary<Move> = fc.oneof(
  fc.record({ kind: fc.constant('put' as const), piece: anyPiece, x: anyX, y: anyY }),
  fc.record({ kind: fc.constant('shelve' as const), piece: anyPiece }),
  fc.record({
    kind: fc.constant('arrange' as const),
    pieces: fc.dictionary(anyPiece, fc.option(anyPosition)),
  }) as fc.Arbitrary<Move>,
  fc.record({
    kind: fc.constant('turn' as const),
    piece: fc.constantFrom('c0' as PieceId, 'bin~aaaa' as PieceId),
    turn: fc.constantFrom(0, 15, 90, 345),
    flipped: fc.constant(false),
  }),
  fc.record({
    kind: fc.constant('turn' as const),
    piece: fc.constant('bin~aaaa' as PieceId),
    turn: fc.constant(0),
    flipped: fc.boolean(),
  }),
  fc.record({
    kind: fc.constant('write' as const),
    in: fc.constantFrom('w', 'g:0', 'g:1', 'note'),
    text: fc.string({ maxLength: 12 }),
  }),
  anyEdit,
  fc.record({
    kind: fc.constant('draw' as const),
    stroke: anyStroke,
    place: fc.constant(placeId('d')),
    points: fc.array(fc.tuple(anyX, anyY), { minLength: 1, maxLength: 4 }),
  }),
  fc.record({ kind: fc.constant('undraw' as const), stroke: anyStroke }),
  fc.record({ kind: fc.constant('rub' as const), strokes: fc.array(anyStroke), gone: fc.boolean() }),
  anyArrow.map(([from, to]): Move => ({ kind: 'connect', from, to })),
  anyArrow.map(([from, to]): Move => ({ kind: 'disconnect', from, to })),
  ownMoveBy('student:1'),
  fc.constant<Move>({ kind: 'start-again' }),
)
