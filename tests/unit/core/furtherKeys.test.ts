import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import type { Place } from '../../../core/board/place'
import { balanceSteps } from '../../../core/keys/balance/steps'
import type { BalanceKey } from '../../../core/keys/balance/key'
import type { Move } from '../../../core/slate/move'
import { masterId, pieceId, placeId } from '../../boards'
import { boardOf, box, card, mark, SIZES, tile, verdicts, type Spots } from '../../keyBoards'

const zone = (id: string, x: number, width = 300): Place => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: box(x, 0, width, 300),
})

describe('matching sets', () => {
  const pieces = ['cat', 'felt', 'dog', 'bark'].map(id => card(id))
  const sets = [
    ['cat', 'felt'],
    ['dog', 'bark'],
  ]
  const touch = boardOf([], pieces, { kind: 'match', sets, where: [] })

  it("are together wherever on the page they touch, and apart where they don't", () => {
    expect(verdicts(mark(touch, { cat: [100, 100], felt: [188, 100], dog: [400, 300], bark: [400, 350] }))).toEqual({
      cat: 'right',
      dog: 'right',
    })
    expect(mark(touch, { cat: [100, 100], felt: [400, 100], dog: [400, 300] })).toMatchObject([
      { verdict: 'wrong', reason: { code: 'match-split' } },
      { verdict: 'wrong', reason: { code: 'match-split' } },
    ])
    expect(mark(touch, {})).toMatchObject([{ verdict: 'not-placed' }, { verdict: 'not-placed' }])
  })

  it('say with whom they were mixed up, and leave a wide gap to the teacher', () => {
    expect(mark(touch, { cat: [100, 100], felt: [188, 100], dog: [276, 100], bark: [364, 100] })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'match-mixed', words: { with: { pieces: ['dog', 'bark'] } } },
    })
    expect(mark(touch, { cat: [100, 100], felt: [200, 100] })[0]).toMatchObject({ verdict: 'on-the-line' })
  })

  it('touch with the edges that they have as they lie, also on their side', () => {
    const { width, height } = SIZES.card
    const turning = boardOf(
      [],
      pieces.map(p => ({ ...p, turns: true })),
      { kind: 'match', sets, where: [] },
    )
    const beside = 100 + width / 2 + height / 2 + 4
    expect(verdicts(mark(turning, { cat: [100, 200], felt: [beside, 200, 90] })).cat).toBe('right')
    expect(verdicts(mark(turning, { cat: [100, 200], felt: [beside + 40, 200, 90] })).cat).toBe('wrong')
  })

  it('may stand in whichever row of a grid', () => {
    const grid: Place = {
      kind: 'grid',
      id: placeId('g'),
      heading: 'Pairs',
      rows: 3,
      columns: 2,
      shape: box(0, 0, 400, 180),
    }
    const board = boardOf([grid], pieces, { kind: 'match', sets, where: ['g'] })
    const at = (row: number, column: number): [number, number] => [100 + column * 200, 30 + row * 60]
    expect(verdicts(mark(board, { cat: at(2, 0), felt: at(2, 1), bark: at(0, 0), dog: at(0, 1) }))).toEqual({
      cat: 'right',
      dog: 'right',
    })
    expect(verdicts(mark(board, { cat: at(2, 0), bark: at(2, 1), felt: at(0, 0), dog: at(0, 1) }))).toEqual({
      cat: 'wrong',
      dog: 'wrong',
    })
  })
})

describe('totals in several ways and in units', () => {
  it('count two ways only where they differ', () => {
    const board = boardOf(
      [zone('a', 0), zone('b', 320)],
      ['5', '5', '2', '3', '10'].map((v, i) => tile(`t${i}`, v)),
      { kind: 'total', place: 'a', target: '10', ways: ['b'] },
    )
    expect(verdicts(mark(board, { t0: [40, 40], t1: [100, 40], t4: [400, 40] }))).toEqual({ a: 'right', b: 'right' })
    expect(verdicts(mark(board, { t0: [40, 40], t1: [100, 40], t2: [400, 40], t3: [460, 40] }))).toEqual({
      a: 'right',
      b: 'wrong',
    })
    const twice = boardOf(
      [zone('a', 0), zone('b', 320)],
      ['5', '5', '5', '5'].map((v, i) => tile(`t${i}`, v)),
      { kind: 'total', place: 'a', target: '10', ways: ['b'] },
    )
    expect(mark(twice, { t0: [40, 40], t1: [100, 40], t2: [400, 40], t3: [460, 40] })[1]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'same-way' },
    })
  })

  it("add mixed units exactly, say what is missing in them, and don't add minutes to metres", () => {
    const board = boardOf(
      [zone('rope', 0, 700)],
      [tile('a', '1 m'), tile('b', '75 cm'), tile('c', '250 mm'), tile('d', '5 min')],
      { kind: 'total', place: 'rope', target: '2 m' },
    )
    expect(verdicts(mark(board, { a: [40, 40], b: [100, 40], c: [160, 40] }))).toEqual({ rope: 'right' })
    expect(mark(board, { a: [40, 40], b: [100, 40] })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { words: { made: '1 m 75 cm', missing: '25 cm' } },
    })
    expect(mark(board, { a: [40, 40], d: [100, 40] })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'total-other-unit' },
    })
  })
})

describe('a balance with an unknown', () => {
  const pans: Place[] = [
    { kind: 'pan', id: placeId('l'), heading: 'Left', shape: box(0, 0, 300, 200) },
    { kind: 'pan', id: placeId('r'), heading: 'Right', shape: box(320, 0, 300, 200) },
  ]
  const x = (id: string) => tile(id, '1', { term: 'x', text: 'x' })
  const staged = {
    x1: { x: 40, y: 40 },
    x2: { x: 90, y: 40 },
    t3: { x: 140, y: 40 },
    u3: { x: 360, y: 40 },
    t8: { x: 410, y: 40 },
  }
  // 2x + 3 = 3 + 8, so x is 4.
  const board = boardOf(
    pans,
    [x('x1'), x('x2'), tile('t3', '3'), tile('u3', '3'), tile('t8', '8'), tile('t4', '4')],
    { kind: 'balance', left: 'l', right: 'r', unknown: '4', solve: true },
    { staged },
  )
  const key = board.keys[0] as BalanceKey

  it('is level while the equation is true, and solved only when x stands alone', () => {
    const start: Spots = Object.fromEntries(Object.entries(staged).map(([id, { x, y }]) => [id, [x, y] as const]))
    expect(mark(board, start)[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'balance-unsolved', words: { left: '2x + 3', right: '11' } },
    })
    expect(mark(board, { x1: [40, 40], t4: [360, 40] })[0]).toMatchObject({
      verdict: 'right',
      reason: { code: 'balance-solved' },
    })
    expect(mark(board, { x1: [40, 40], t8: [360, 40] })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'balance-tilted' },
    })
  })

  it('knows each true step of the balancing, and none of what was tilted in between', () => {
    const shelve = (piece: string): Move => ({ kind: 'shelve', piece: pieceId(piece) })
    const moves: Move[] = [
      shelve('t3'),
      shelve('u3'),
      shelve('x2'),
      { kind: 'put', piece: pieceId('t4'), x: 360, y: 100 },
      shelve('t8'),
    ]
    expect(balanceSteps(key, moves, makeEdition(board))).toEqual([
      { equation: '2x + 3 = 11', level: true, solved: false },
      { equation: '2x = 8', level: true, solved: false },
      { equation: 'x = 4', level: true, solved: true },
    ])
  })
})

describe('expressions in tiles (facts of the trade: common practice, no source)', () => {
  const mat: Place[] = [{ kind: 'zone', id: placeId('mat'), heading: 'Mat', shape: box(0, 0, 900, 460) }]
  const xx = { ...tile('xx', '1', { term: 'x^2' }), master: masterId('xx') }
  const xs = Array.from({ length: 7 }, (_, i) => ({
    ...tile(`x${i}`, '1', { term: 'x', turns: true, other: { text: '−x', value: '-1' } }),
    master: masterId('x'),
  }))
  const ones = Array.from({ length: 10 }, (_, i) => ({ ...tile(`o${i}`, '1'), master: masterId('one') }))
  const board = (more: object) =>
    boardOf(mat, [xx, ...xs, ...ones], { kind: 'expression', place: 'mat', target: 'x^2 + 6x + 9', ...more })
  const { xx: big, x: bar } = SIZES
  /**
   * x² in the corner, three bars to the right standing, three below lying, nine ones between them, each a little askew.
   */
  const square = (askew = 0): Spots =>
    Object.fromEntries([
      ['xx', [100 + big.width / 2, 100 + big.height / 2]],
      ...[0, 1, 2].map(i => [`x${i}`, [190 + bar.height / 2 + i * 30, 145 + askew, 90]]),
      ...[3, 4, 5].map((n, i) => [`x${n}`, [145, 190 + bar.height / 2 + i * 30 - askew]]),
      ...Array.from({ length: 9 }, (_, i) => [`o${i}`, [205 + (i % 3) * 30 + askew / 2, 205 + Math.floor(i / 3) * 30]]),
    ]) as Spots

  it('x² + 6x becomes a square with 9 ones', () => {
    expect(mark(board({ as: 'square' }), square())[0]).toMatchObject({
      verdict: 'right',
      reason: { words: { product: '(x + 3)(x + 3)' } },
    })
    expect(mark(board({ as: 'square' }), square(6))[0]).toMatchObject({ verdict: 'right' })
    const { o8: _, ...eight } = square()
    expect(mark(board({ as: 'square' }), eight)[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'expression-other', words: { made: 'x² + 6x + 8' } },
    })
  })

  it('the right tiles are no product while they leave a gap', () => {
    expect(mark(board({ as: 'rectangle' }), { ...square(), o8: [500, 300] })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'expression-gaps' },
    })
    expect(mark(board({}), { ...square(), o8: [500, 300] })[0]).toMatchObject({ verdict: 'right' })
  })

  it('a rectangle that is no square is told from one', () => {
    const two = boardOf(mat, [xx, ...xs, ...ones], {
      kind: 'expression',
      place: 'mat',
      target: 'x^2 + 3x + 2',
      as: 'square',
    })
    const spots: Spots = {
      xx: [145, 145],
      x0: [205, 145, 90],
      x1: [235, 145, 90],
      x2: [145, 205],
      o0: [205, 205],
      o1: [235, 205],
    }
    expect(mark(two, spots)[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'expression-no-square', words: { product: '(x + 2)(x + 1)' } },
    })
    const rectangle = boardOf(mat, [xx, ...xs, ...ones], {
      kind: 'expression',
      place: 'mat',
      target: 'x^2 + 3x + 2',
      as: 'rectangle',
    })
    expect(mark(rectangle, spots)[0]).toMatchObject({ verdict: 'right' })
  })

  it('a tile and its negative make nothing', () => {
    const zero = boardOf(mat, [...xs, ...ones, tile('n1', '-1')], { kind: 'expression', place: 'mat', target: 'x' })
    expect(mark(zero, { x0: [100, 100], o0: [300, 300], n1: [400, 300] })[0]).toMatchObject({
      verdict: 'right',
      reason: { words: { pairs: 1 } },
    })
    expect(mark(zero, {})[0]).toMatchObject({ verdict: 'not-placed' })
    expect(mark(zero, { x0: [100, 100], o0: [900, 300] })[0]).toMatchObject({ verdict: 'on-the-line' })
  })
})
