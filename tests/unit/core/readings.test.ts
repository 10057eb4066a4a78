import fc from 'fast-check'
import Fraction from 'fraction.js'
import { describe, expect, it } from 'vitest'
import type { Place } from '../../../core/board/place'
import { algebraLength, UNIT } from '../../../core/design/tiles'
import { fewestTiles } from '../../../core/exact/change'
import { masterId, placeId } from '../../boards'
import { boardOf, box, card, mark, tile, verdicts, type Spots } from '../../keyBoards'

const zone = (id: string, x: number, width = 280): Place => ({
  kind: 'zone',
  id: placeId(id),
  heading: id,
  shape: box(x, 50, width, 380),
})

describe('the fewest tiles', () => {
  it('of any values are as few as trying every choice finds', () => {
    const supply = fc.record({ value: fc.integer({ min: 1, max: 9 }), many: fc.integer({ min: 0, max: 3 }) })
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 25 }),
        fc.uniqueArray(supply, { maxLength: 4, selector: s => s.value }),
        (target, supplies) => {
          const fewest = (left: number, rest: typeof supplies): number => {
            if (left === 0) return 0
            const [first, ...others] = rest
            if (!first || left < 0) return Infinity
            return Math.min(
              ...Array.from({ length: first.many + 1 }, (_, n) => n + fewest(left - n * first.value, others)),
            )
          }
          const tried = fewest(target, supplies)
          const found = fewestTiles(
            new Fraction(target),
            supplies.map(({ value, many }) => ({ value: new Fraction(value), many })),
          )
          expect(found).toBe(tried === Infinity ? null : tried)
        },
      ),
      { numRuns: 400 },
    )
  })

  it('are not always what taking the largest first finds (a well-known case: 1, 3 and 4 make 6 by two)', () => {
    const endless = (...values: (number | string)[]) =>
      values.map(value => ({ value: new Fraction(value), many: null }))
    expect(fewestTiles(new Fraction(6), endless(1, 3, 4))).toBe(2)
    expect(fewestTiles(new Fraction('0.30'), endless('0.01', '0.10', '0.25'))).toBe(3)
    expect(fewestTiles(new Fraction(7), endless(2, 4))).toBeNull()
    expect(fewestTiles(new Fraction(10).pow(9)!, endless(7, 3))).toBeUndefined()
    const bins = [1, 3, 4].map(n => tile(`t${n}`, String(n), { bin: true }))
    const board = boardOf([zone('mat', 20)], bins, { kind: 'total', place: 'mat', target: '6', standardForm: true })
    expect(mark(board, { 't3~aaaa': [100, 100], 't3~bbbb': [200, 100] })[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board, { 't4~aaaa': [100, 100], 't1~aaaa': [200, 100], 't1~bbbb': [100, 200] })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'not-standard' },
    })
  })
})

describe('what lies on an edge', () => {
  it('makes a verdict doubtful only where it hangs on it', () => {
    const total = boardOf([zone('mat', 20)], [tile('a', '5'), tile('b', '3'), tile('c', '4')], {
      kind: 'total',
      place: 'mat',
      target: '8',
    })
    const edge: [number, number] = [300, 200]
    expect(mark(total, { a: [100, 100], b: edge })[0]).toMatchObject({ verdict: 'on-the-line' })
    expect(mark(total, { a: [100, 100], c: edge })[0]).toMatchObject({ verdict: 'wrong' })
    expect(mark(total, { c: edge })[0]).toMatchObject({ verdict: 'wrong' })
    const lane: Place = { kind: 'lane', id: placeId('l'), heading: '', direction: 'row', shape: box(20, 20, 900, 100) }
    const order = boardOf(
      [lane],
      ['a', 'b', 'c'].map(id => card(id)),
      {
        kind: 'order',
        lane: 'l',
        before: [
          ['a', 'b'],
          ['b', 'c'],
        ],
        credit: 'all',
      },
    )
    expect(mark(order, { a: [80, 70], b: [200, 70], c: [320, 120] })[0]).toMatchObject({ verdict: 'on-the-line' })
    expect(mark(order, { b: [80, 70], a: [200, 70], c: [320, 120] })[0]).toMatchObject({ verdict: 'wrong' })
    const slot: Place = { kind: 'slot', id: placeId('s'), heading: '', shape: box(50, 50, 100, 60) }
    const slots = boardOf([slot], [card('a'), card('b')], { kind: 'slots', fits: { s: ['a'] } })
    expect(verdicts(mark(slots, { a: [150, 80] }))).toEqual({ s: 'on-the-line' })
    expect(verdicts(mark(slots, { b: [150, 80] }))).toEqual({ s: 'wrong' })
    expect(verdicts(mark(slots, { b: [100, 80], a: [150, 80] }))).toEqual({ s: 'wrong' })
    const grid: Place = {
      kind: 'grid',
      id: placeId('g'),
      heading: '',
      rows: 2,
      columns: 4,
      shape: box(100, 100, 160, 80),
    }
    const cover = boardOf(
      [grid],
      [{ kind: 'cover', id: 'c' as never, master: masterId('cover'), text: '', bin: true }],
      { kind: 'cover', grid: 'g', cells: ['0,0', '0,1'] },
    )
    expect(verdicts(mark(cover, { 'c~aaaa': [120, 120], 'c~bbbb': [172, 120] }))).toEqual({
      g: 'right',
      'g:0,1': 'on-the-line',
    })
    expect(mark(cover, { 'c~aaaa': [120, 160], 'c~bbbb': [172, 120] })[0]).toMatchObject({ verdict: 'wrong' })
  })
})

describe('balances', () => {
  const pans: Place[] = [
    { kind: 'pan', id: placeId('l'), heading: 'L', shape: box(0, 0, 300, 200) },
    { kind: 'pan', id: placeId('r'), heading: 'R', shape: box(400, 0, 300, 200) },
  ]
  it('of unlike things never are level, and an equation without an unknown can be true', () => {
    const board = boardOf(pans, [tile('m', '1 m'), tile('g', '1 kg'), tile('cm', '100 cm')], {
      kind: 'balance',
      left: 'l',
      right: 'r',
    })
    expect(mark(board, { m: [100, 100], g: [500, 100] })[0]).toMatchObject({ verdict: 'wrong' })
    expect(mark(board, { m: [100, 100], cm: [500, 100] })[0]).toMatchObject({ verdict: 'right' })
    const x = (id: string) => tile(id, '1', { term: 'x' })
    const letters = boardOf(pans, [x('x1'), x('x2'), tile('a', '2'), tile('b', '1'), tile('c', '1')], {
      kind: 'balance',
      left: 'l',
      right: 'r',
    })
    expect(
      mark(letters, { x1: [100, 50], a: [100, 100], x2: [500, 50], b: [500, 100], c: [500, 150] })[0],
    ).toMatchObject({ verdict: 'right' })
    expect(mark(letters, { x1: [100, 50], a: [500, 100] })[0]).toMatchObject({ verdict: 'wrong' })
  })
})

describe('products with negatives', () => {
  const ids = (name: string, n: number, more: object) =>
    Array.from({ length: n }, (_, i) => tile(`${name}${i}`, '1', { ...more }))
  const minus = { value: '-1', text: '−' }
  const pieces = [
    tile('xx', '1', { term: 'x^2', master: masterId('xx') }),
    ...ids('x', 3, { term: 'x', master: masterId('x'), turns: true }),
    ...ids('m', 3, { term: 'x', ...minus, master: masterId('x'), turns: true }),
    ...ids('o', 3, { master: masterId('one') }),
    ...ids('n', 3, { ...minus, master: masterId('one') }),
  ]
  const mat: Place[] = [{ kind: 'zone', id: placeId('mat'), heading: '', shape: box(0, 0, 900, 480) }]
  const board = (target: string, as: string) => boardOf(mat, pieces, { kind: 'expression', place: 'mat', target, as })
  // x is 90 long and 1 is 30; upper left corner at (200, 100).
  const at = (x: number, y: number, turn?: number): [number, number, number?] => [200 + x, 100 + y, turn]
  const square: Spots = { xx: at(45, 45), m0: at(105, 45, 90), m1: at(45, 105), o0: at(105, 105) }

  it('(x − 1)² is x², two −x and one, and its sides are x − 1', () => {
    expect(mark(board('x^2 - 2x + 1', 'square'), square)[0]).toMatchObject({
      verdict: 'right',
      reason: { words: { product: '(x − 1)(x − 1)' } },
    })
  })

  it('(x + 2)(x − 1) holds a zero pair', () => {
    const spots: Spots = {
      xx: at(45, 45),
      x0: at(105, 45, 90),
      x1: at(135, 45, 90),
      m0: at(45, 105),
      n0: at(105, 105),
      n1: at(135, 105),
    }
    expect(mark(board('x^2 + x - 2', 'rectangle'), spots)[0]).toMatchObject({ verdict: 'right' })
    // With a one of the wrong sign in the corner it is no product any more, and another value.
    expect(mark(board('x^2 + x - 2', 'rectangle'), { ...spots, n1: [20, 20], o0: at(135, 105) })[0]).toMatchObject({
      verdict: 'wrong',
    })
    expect(
      mark(board('x^2 - 1', 'rectangle'), {
        xx: at(45, 45),
        x0: at(105, 45, 90),
        m0: at(45, 105),
        n0: at(105, 105),
      })[0],
    ).toMatchObject({ verdict: 'right', reason: { words: { product: '(x + 1)(x − 1)' } } })
  })

  it('every letter has a length of its own, and no whole number of ones', () => {
    const lengths = [...'abcdefghijklmnopqrstuvwxyz'].map(algebraLength).toSorted((a, b) => a - b)
    lengths.slice(1).forEach((length, i) => expect(length - lengths[i]!).toBeGreaterThan(4))
    for (const length of lengths)
      expect(Math.abs(length / UNIT.one - Math.round(length / UNIT.one)) * UNIT.one).toBeGreaterThanOrEqual(4)
  })
})
