import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import type { Piece } from '../../../core/board/piece'
import type { Place } from '../../../core/board/place'
import { makeEdition } from '../../../core/board/edition'
import { area } from '../../../core/geometry/area'
import { outline } from '../../../core/geometry/outline'
import type { Point, Shape } from '../../../core/geometry/shape'
import { bodyOf } from '../../../core/bodies/body'
import { placePieces, type Certainty } from '../../../core/placement/placement'
import { emptySlate, withPieces } from '../../../core/slate/state'
import { keysByDoing } from '../../../core/keys/keep'
import { keyId, masterId, pieceId, placeId } from '../../boards'
import { boardOf, box, card, mark, slateOf, tile, verdicts, type Spots } from '../../keyBoards'

const zone = (id: string, shape: Shape): Place => ({ kind: 'zone', id: placeId(id), heading: id, shape })
const label = (id: string): Piece => ({
  kind: 'label',
  id: pieceId(id),
  master: masterId('label'),
  text: id,
  tip: 'right',
})
type Ring = [number, number][]
const ring = (points: readonly Point[]): Ring => points.map(p => [p.x, p.y])
/** Intersection by the library polygon-clipping, which shares no code with ours. */
const sharedArea = (a: readonly Point[], b: readonly Point[]) =>
  polygonClipping
    .intersection([ring(a)], [ring(b)])
    .reduce(
      (sum, [outer, ...holes]) =>
        sum
        + area(outer!.map(([x, y]) => ({ x, y })))
        - holes.reduce((s, h) => s + area(h.map(([x, y]) => ({ x, y }))), 0),
      0,
    )

describe('at the border of sure and unsure', () => {
  it('a share of just three quarters is in, and of just one quarter is out, whatever the decimals', () => {
    const hundredths = (most: number) => fc.integer({ min: 1, max: most * 100 }).map(n => n / 100)
    fc.assert(
      fc.property(hundredths(400), hundredths(300), hundredths(180), hundredths(90), (x, y, width, height) => {
        const board = boardOf([zone('z', box(x, y, 400, 300))], [card('a')], { kind: 'sort', homes: { a: ['z'] } })
        const sized = makeEdition({ ...board, masters: board.masters.map(master => ({ ...master, width, height })) })
        const at = (share: number): Certainty | undefined => {
          const lies = { x: x - width / 2 + share * width, y: y + 150, z: 1 }
          return placePieces(withPieces(emptySlate, [[pieceId('a'), lies]]), sized.board.pages[0]!, sized)[0]!.shares[0]
            ?.certainty
        }
        expect([at(0.75), at(0.25), at(0.74), at(0.26)]).toEqual(['in', undefined, 'unsure', 'unsure'])
      }),
    )
  })

  it('the ends of a scale are values like any other', () => {
    const scale: Place = {
      kind: 'scale',
      id: placeId('s'),
      heading: '',
      least: '0',
      most: '10',
      step: '1',
      shape: box(100, 100, 500, 60),
    }
    const board = boardOf([scale], [card('least'), card('most')], {
      kind: 'scale',
      scale: 's',
      values: { least: '0', most: '10' },
      tolerance: '1/2',
    })
    expect(verdicts(mark(board, { least: [100, 130], most: [600, 130] }))).toEqual({ least: 'right', most: 'right' })
    expect(verdicts(mark(board, { least: [95, 128], most: [604, 133] }))).toEqual({ least: 'right', most: 'right' })
    expect(verdicts(mark(board, { least: [600, 130], most: [100, 130] }))).toEqual({ least: 'wrong', most: 'wrong' })
  })
})

describe('pieces that are no boxes', () => {
  const master = (look: object, width = 80, height = 80) => ({ width, height, textSize: 12, look: look as never })
  const any = {
    x: fc.integer({ min: -60, max: 160 }),
    y: fc.integer({ min: -60, max: 160 }),
    turn: fc.integer({ min: 0, max: 359 }),
  }

  it('a disc has πr², a part of it its share, whichever way it is turned (handbook formulas)', () => {
    expect(bodyOf('token', master({ kind: 'round' }), { x: 0, y: 0 }).area).toBeCloseTo(Math.PI * 1600, 9)
    for (const share of ['1/8', '1/3', '1/2', '2/3', '1']) {
      const [n, d = 1] = share.split('/').map(Number)
      const { area: size } = bodyOf('tile', master({ kind: 'sector', share }), { x: 3, y: 4, turn: 77 })
      expect(size).toBeCloseTo((Math.PI * 1600 * n!) / d, 9)
    }
  })

  it('lie in a box by the area that a reference library cuts off their outlines', () => {
    const square = box(0, 0, 100, 100)
    fc.assert(
      fc.property(fc.record(any), fc.constantFrom('1/8', '1/3', '1/2', '3/4', '1'), (lies, share) => {
        const body = bodyOf('tile', master({ kind: 'sector', share }), lies)
        const reference = body.parts.reduce((sum, part) => sum + sharedArea(part, outline(square)), 0)
        expect(body.inside(square)).toBeCloseTo(reference, 5)
      }),
      { numRuns: 300 },
    )
    fc.assert(
      fc.property(fc.record(any), lies => {
        const body = bodyOf('token', master({ kind: 'round' }), lies)
        // Its outline has 128 sides: a thousandth of its area.
        expect(Math.abs(body.inside(square) - sharedArea(body.parts[0]!, outline(square)))).toBeLessThan(5)
      }),
      { numRuns: 300 },
    )
  })

  it('a hand is as slim as it is drawn, though its box is the whole dial (area of a trapezium)', () => {
    expect(bodyOf('token', master({ kind: 'hand' }), { x: 0, y: 0, turn: 30 }).area).toBeCloseTo(((6 + 12) / 2) * 52, 9)
  })

  it('a quarter of a disc is held by what holds it, though its box reaches out', () => {
    const quarter: Piece = { ...tile('q', '1/4'), master: masterId('m') } as Piece
    const base = boardOf([zone('z', box(200, 100, 40, 40))], [quarter], { kind: 'total', place: 'z', target: '1/4' })
    const edition = makeEdition({
      ...base,
      masters: base.masters.map(m => ({
        ...m,
        width: 80,
        height: 80,
        look: { kind: 'sector' as const, share: '1/4' },
      })),
    })
    // Its right upper quarter lies on the zone; three quarters of its box lie beside it.
    const placed = placePieces(
      withPieces(emptySlate, [[pieceId('q'), { x: 200, y: 140, z: 1 }]]),
      edition.board.pages[0]!,
      edition,
    )[0]!
    expect(placed.shares[0]).toMatchObject({ place: 'z', certainty: 'in', share: expect.closeTo(1, 3) })
  })
})

describe('in cells', () => {
  const grid: Place = {
    kind: 'grid',
    id: placeId('g'),
    heading: 'G',
    rows: 3,
    columns: 3,
    shape: box(100, 100, 360, 240),
  }
  const board = boardOf([grid], [card('a'), tile('t', '1', { turns: true })], {
    kind: 'slots',
    fits: { 'g:1,1': ['a'], 'g:1,2': [], 'g:0,0': ['t'] },
  })
  const middle: [number, number] = [280, 220]

  it('a piece half in one and half in the next is on the line in both, whichever is asked for', () => {
    expect(verdicts(mark(board, { a: middle }))['g:1,1']).toBe('right')
    expect(verdicts(mark(board, { a: [middle[0] + 60, middle[1]] }))).toMatchObject({
      'g:1,1': 'on-the-line',
      'g:1,2': 'on-the-line',
    })
    expect(verdicts(mark(board, { a: [middle[0] + 60, middle[1] + 40] }))).toMatchObject({
      'g:1,1': 'on-the-line',
      'g:1,2': 'on-the-line',
    })
  })

  it('a piece that lies aslant has the share of what it really covers', () => {
    // 40 by 20, turned by a quarter of a right angle: as the box around it, it would stick out of its cell.
    expect(verdicts(mark(board, { t: [124, 118, 30] }))['g:0,0']).toBe('right')
  })

  it('a card between two cells of a row is in the row all the same', () => {
    const rows = boardOf([grid], [card('a'), card('b')], { kind: 'match', sets: [['a', 'b']], where: ['g'] })
    expect(mark(rows, { a: [220, 140], b: [400, 140] })[0]).toMatchObject({ verdict: 'right' })
    expect(mark(rows, { a: [160, 180], b: [280, 140] })[0]).toMatchObject({ verdict: 'on-the-line' })
  })
})

it("two cards of a set on a zone's edge are on the line, not unplaced", () => {
  const board = boardOf([zone('z', box(100, 100, 300, 200))], [card('a'), card('b')], {
    kind: 'match',
    sets: [['a', 'b']],
    where: ['z'],
  })
  expect(mark(board, { a: [100, 150], b: [100, 250] })[0]).toMatchObject({ verdict: 'on-the-line' })
})

describe('zones in and over each other', () => {
  const kept = (places: Place[], at: Spots, former: Record<string, unknown> | null = null) => {
    const board = boardOf(places, [card('a'), card('b')], former)
    const pieces = Object.fromEntries(Object.entries(at).map(([id, [x, y]], z) => [id, { x, y, z }]))
    const edition = makeEdition(board)
    return keysByDoing({
      kind: 'sort',
      page: board.pages[0]!,
      state: slateOf(board, { pieces }),
      edition,
      newId: () => keyId('new'),
    }).keys[0]
  }
  const star: Shape = {
    kind: 'polygon',
    points: [
      { x: 300, y: 20 },
      { x: 640, y: 200 },
      { x: 300, y: 400 },
    ],
  }
  const oval = (x: number): Shape => ({ kind: 'ellipse', x, y: 60, width: 400, height: 300 })

  it('are regions only where they were made as rings', () => {
    expect(
      kept([zone('one', box(50, 50, 400, 300)), zone('two', box(350, 50, 400, 300))], { a: [150, 200] }),
    ).not.toHaveProperty('regions')
    expect(kept([zone('one', box(50, 50, 400, 300)), zone('two', star)], { a: [150, 200] })).not.toHaveProperty(
      'regions',
    )
    expect(kept([zone('one', oval(50)), zone('two', oval(300))], { a: [150, 200] })).toMatchObject({ regions: true })
    const rings = { kind: 'sort', homes: {}, regions: true }
    expect(
      kept([zone('one', box(50, 50, 400, 300)), zone('two', box(350, 50, 400, 300))], { a: [150, 200] }, rings),
    ).toMatchObject({ regions: true })
  })

  it('the inner one is a home of its own', () => {
    const nested = [zone('outer', box(50, 50, 600, 380)), zone('inner', box(100, 100, 200, 200))]
    const at: Spots = { a: [200, 200], b: [500, 200] }
    expect(kept(nested, at)).toMatchObject({ homes: { a: ['inner'], b: ['outer'] } })
    const board = boardOf(nested, [card('a'), card('b')], { kind: 'sort', homes: { a: ['inner'], b: ['outer'] } })
    expect(verdicts(mark(board, at))).toEqual({ a: 'right', b: 'right' })
    expect(verdicts(mark(board, { a: at.b!, b: at.a! }))).toEqual({ a: 'wrong', b: 'wrong' })
    // On the inner one's edge it may be meant for either.
    expect(verdicts(mark(board, { a: [300, 200], b: [300, 160] }))).toEqual({ a: 'on-the-line', b: 'on-the-line' })
  })
})

describe('in a lane', () => {
  const words = ['one', 'two', 'three', 'four', 'five', 'six'].map(id => card(id))
  const chain = words.slice(1).map((word, i) => [words[i]!.id, word.id])
  const lane = (width: number, height: number, direction: 'row' | 'column' = 'row'): Place => ({
    kind: 'lane',
    id: placeId('l'),
    heading: '',
    direction,
    shape: box(20, 20, width, height),
  })
  const jitter = (most: number) => fc.array(fc.integer({ min: -most, max: most }), { minLength: 6, maxLength: 6 })

  it('of the usual size crooked cards are one row, however they jump', () => {
    const board = boardOf([lane(600, 84)], words, { kind: 'order', lane: 'l', before: chain, credit: 'all' })
    fc.assert(
      fc.property(jitter(28), dy => {
        const at = Object.fromEntries(
          words.map((word, i): [string, [number, number]] => [word.id, [70 + i * 95, 62 + dy[i]!]]),
        )
        expect(mark(board, at)[0]!.verdict).toBe('right')
      }),
    )
  })

  it('with room for more, crooked rows stay rows, and rows that climb too', () => {
    const board = boardOf([lane(420, 260)], words, { kind: 'order', lane: 'l', before: chain, credit: 'all' })
    fc.assert(
      fc.property(jitter(10), fc.integer({ min: -8, max: 8 }), (dy, climb) => {
        const at = Object.fromEntries(
          words.map((word, i): [string, [number, number]] => [
            word.id,
            [80 + (i % 3) * 100, 90 + Math.floor(i / 3) * 80 + dy[i]! + (i % 3) * climb],
          ]),
        )
        expect(mark(board, at)[0]!.verdict).toBe('right')
      }),
    )
  })

  it('that runs down crooked cards are one column', () => {
    const board = boardOf([lane(140, 440, 'column')], words, { kind: 'order', lane: 'l', before: chain, credit: 'all' })
    fc.assert(
      fc.property(jitter(20), dx => {
        const at = Object.fromEntries(
          words.map((word, i): [string, [number, number]] => [word.id, [90 + dx[i]!, 60 + i * 68]]),
        )
        expect(mark(board, at)[0]!.verdict).toBe('right')
      }),
    )
  })
})

describe('a label points at what is marked there', () => {
  it('at a value of a scale, at a cell of a grid, at a pin', () => {
    const places: Place[] = [
      { kind: 'scale', id: placeId('s'), heading: '', least: '0', most: '10', step: '1', shape: box(100, 50, 500, 60) },
      { kind: 'grid', id: placeId('g'), heading: 'G', rows: 2, columns: 5, shape: box(100, 200, 500, 200) },
    ]
    // Its tip stands 12 points out from its right side: 80 wide, so 52 from its middle.
    const tipAt = (x: number, y: number): [number, number] => [x - 52, y]
    const scaled = boardOf(places, [label('l')], { kind: 'scale', scale: 's', values: { l: '7' }, tolerance: '1/4' })
    expect(mark(scaled, { l: tipAt(450, 80) })[0]).toMatchObject({ verdict: 'right' })
    expect(mark(scaled, { l: tipAt(450, 50) })[0]).toMatchObject({ verdict: 'right' })
    expect(mark(scaled, { l: tipAt(400, 80) })[0]).toMatchObject({ verdict: 'wrong' })
    const celled = boardOf(places, [label('l')], { kind: 'slots', fits: { 'g:1,3': ['l'] } })
    expect(mark(celled, { l: tipAt(450, 350) })[0]).toMatchObject({ verdict: 'right' })
    expect(mark(celled, { l: tipAt(350, 350) })[0]).toMatchObject({ verdict: 'not-placed' })
  })
})
