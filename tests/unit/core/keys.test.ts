import fc from 'fast-check'
import Fraction from 'fraction.js'
import { sampleRankCorrelation } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import type { Place } from '../../../core/board/place'
import { quantity, quantityText, readQuantity, sum } from '../../../core/exact/quantity'
import { closure, longestRun, pairsKept } from '../../../core/keys/partialOrder'
import { seeded, shuffled } from '../../../core/layout/random'
import { placeId } from '../../boards'
import { boardOf, box, mark, tile } from '../../keyBoards'

describe('exact quantities', () => {
  it('are read in every form that is written in schools, and in no other', () => {
    const good: [string, string][] = [
      ['12', '12'],
      ['0.5', '1/2'],
      ['0,5', '1/2'],
      ['3/4', '3/4'],
      ['1 1/2', '3/2'],
      ['−3', '-3'],
      ['-1 1/2', '-3/2'],
      ['.25', '1/4'],
      ['12 / 16', '3/4'],
    ]
    for (const [text, value] of good) expect(readQuantity(text)?.equals(value), text).toBe(true)
    for (const text of ['', 'x', '1/0', '1 1/0', 'NaN', 'Infinity', '1e5', '1.2.3', '0x10', '1/2/3', '9'.repeat(60)])
      expect(readQuantity(text), text).toBeNull()
  })

  it('come back from their own text, against the rational arithmetic of a library', () => {
    fc.assert(
      fc.property(fc.integer({ min: -9999, max: 9999 }), fc.integer({ min: 1, max: 999 }), (n, d) => {
        expect(quantity(quantityText(new Fraction(n, d))).equals(new Fraction(n, d))).toBe(true)
      }),
    )
  })

  it('add up without error: a tenth ten times is one', () => {
    expect(sum(Array.from({ length: 10 }, () => quantity('0.1'))).equals(1)).toBe(true)
    expect(sum([]).equals(0)).toBe(true)
  })
})

describe('totals (facts of the trade: common practice, no source)', () => {
  const pan = { kind: 'zone' as const, id: placeId('mat'), heading: 'Mat', shape: box(0, 0, 800, 400) }
  const tiles = [
    ...Array.from({ length: 4 }, (_, i) => tile(`h${i}`, '100')),
    ...Array.from({ length: 15 }, (_, i) => tile(`t${i}`, '10')),
    ...Array.from({ length: 13 }, (_, i) => tile(`o${i}`, '1')),
  ]
  const lay = (names: string[]) =>
    Object.fromEntries(
      names.map((id, i) => [id, [30 + (i % 15) * 45, 20 + Math.floor(i / 15) * 30] as [number, number]]),
    )
  const some = (h: number, t: number, o: number) => [
    ...Array.from({ length: h }, (_, i) => `h${i}`),
    ...Array.from({ length: t }, (_, i) => `t${i}`),
    ...Array.from({ length: o }, (_, i) => `o${i}`),
  ]
  const board = (extra: object = {}) => boardOf([pan], tiles, { kind: 'total', place: 'mat', target: '342', ...extra })

  it('342 is 3 hundreds, 4 tens, 2 ones, and also 2 hundreds, 14 tens, 2 ones', () => {
    expect(mark(board(), lay(some(3, 4, 2)))[0]).toMatchObject({ verdict: 'right', points: 1 })
    expect(mark(board(), lay(some(2, 14, 2)))[0]).toMatchObject({ verdict: 'right' })
  })

  it('only the first is in standard form', () => {
    expect(mark(board({ standardForm: true }), lay(some(3, 4, 2)))[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board({ standardForm: true }), lay(some(2, 14, 2)))[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'not-standard' },
    })
    expect(mark(board({ standardForm: true }), lay(some(3, 3, 12)))[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'not-standard' },
    })
  })

  it('says what was made and what is missing, and tells an empty mat from a wrong one', () => {
    expect(mark(board(), lay(some(3, 4, 0)))[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'total-short', words: { made: '340', missing: '2' } },
    })
    expect(mark(board(), lay(some(4, 0, 0)))[0]).toMatchObject({
      verdict: 'wrong',
      reason: { code: 'total-over', words: { missing: '58' } },
    })
    expect(mark(board(), {})[0]).toMatchObject({ verdict: 'not-placed', reason: { code: 'empty' } })
    expect(mark(board({ tiles: 9 }), lay(some(2, 14, 2)))[0]).toMatchObject({
      reason: { code: 'total-tiles', words: { tiles: 18, count: 9 } },
    })
  })

  it("is on the line when a tile on the edge decides, and wrong when it can't", () => {
    const edge: [number, number] = [800, 200]
    expect(mark(board(), { ...lay(some(3, 4, 1)), o5: edge })[0]).toMatchObject({ verdict: 'on-the-line' })
    expect(mark(board(), { ...lay(some(3, 3, 1)), o5: edge })[0]).toMatchObject({ verdict: 'wrong' })
  })

  it('of fractions is exact: three thirds of a bar are the bar', () => {
    const thirds = boardOf(
      [pan],
      ['a', 'b', 'c'].map(id => tile(id, '1/3')),
      { kind: 'total', place: 'mat', target: '1' },
    )
    expect(mark(thirds, lay(['a', 'b', 'c']))[0]).toMatchObject({ verdict: 'right' })
  })
})

describe('a balance', () => {
  const pans: Place[] = [
    { kind: 'pan', id: placeId('l'), heading: 'Left', shape: box(0, 0, 200, 100) },
    { kind: 'pan', id: placeId('r'), heading: 'Right', shape: box(300, 0, 200, 100) },
  ]
  const board = boardOf(pans, [tile('a', '1/2'), tile('b', '0.25'), tile('c', '1/4'), tile('d', '0.2')], {
    kind: 'balance',
    left: 'l',
    right: 'r',
  })
  it('is level for exactly equal sides only, and not while it is empty', () => {
    expect(mark(board, { a: [50, 50], b: [350, 50], c: [420, 50] })[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board, { a: [50, 50], b: [350, 50], d: [420, 50] })[0]).toMatchObject({
      verdict: 'wrong',
      reason: { words: { left: '0.5', right: '0.45' } },
    })
    expect(mark(board, { a: [50, 50] })[0]).toMatchObject({ verdict: 'wrong' })
    expect(mark(board, {})[0]).toMatchObject({ verdict: 'not-placed' })
    // On the edge it matters only where the pans could be level with it.
    expect(mark(board, { a: [200, 50], b: [350, 50], c: [420, 50] })[0]).toMatchObject({ verdict: 'on-the-line' })
    expect(mark(board, { a: [200, 50], b: [350, 50] })[0]).toMatchObject({ verdict: 'wrong' })
  })
})

describe('an order', () => {
  const lane: Place = {
    kind: 'lane',
    id: placeId('lane'),
    heading: 'Lane',
    direction: 'row',
    shape: box(0, 0, 900, 100),
  }
  const names = ['a', 'b', 'c', 'd', 'e']
  const chain = names.slice(1).map((b, i) => [names[i], b])
  const board = (extra: object = {}, place: Place = lane) =>
    boardOf(
      [place],
      names.map(n => tile(n, '1')),
      { kind: 'order', lane: 'lane', before: chain, credit: 'pairs', ...extra },
    )
  const inRow = (sequence: string[]) =>
    Object.fromEntries(sequence.map((n, i) => [n, [40 + i * 100, 50] as [number, number]]))

  it('is right in order, and counts what is in order as the teacher picked', () => {
    expect(mark(board(), inRow(names))[0]).toMatchObject({ verdict: 'right', points: 10, of: 10 })
    const swapped = inRow(['b', 'a', 'c', 'd', 'e'])
    expect(mark(board(), swapped)[0]).toMatchObject({ verdict: 'wrong', points: 9, of: 10 })
    expect(mark(board({ credit: 'neighbours' }), swapped)[0]).toMatchObject({ points: 3, of: 4 })
    expect(mark(board({ credit: 'run' }), swapped)[0]).toMatchObject({ points: 4, of: 5 })
    expect(mark(board({ credit: 'all' }), swapped)[0]).toMatchObject({ points: 0, of: 1 })
  })

  it('is read from the right, from the top, and over several rows', () => {
    const mirrored = Object.fromEntries(names.map((n, i) => [n, [860 - i * 100, 50] as [number, number]]))
    expect(mark(board({}, { ...lane, fromRight: true } as Place), mirrored)[0]).toMatchObject({ verdict: 'right' })
    const column = { ...lane, direction: 'column', shape: box(0, 0, 100, 480) } as Place
    expect(
      mark(board({}, column), Object.fromEntries(names.map((n, i) => [n, [50, 40 + i * 60] as [number, number]])))[0],
    ).toMatchObject({ verdict: 'right' })
    expect(mark(board(), { a: [300, 20], b: [400, 24], c: [100, 75], d: [200, 70], e: [300, 74] })[0]).toMatchObject({
      verdict: 'right',
    })
  })

  it('is unfinished, empty or on the line', () => {
    expect(mark(board(), inRow(['a', 'b']))[0]).toMatchObject({
      verdict: 'wrong',
      points: 1,
      reason: { code: 'order-unfinished' },
    })
    expect(mark(board(), {})[0]).toMatchObject({ verdict: 'not-placed' })
    expect(mark(board(), { ...inRow(['a', 'b', 'c', 'd']), e: [500, 100] })[0]).toMatchObject({
      verdict: 'on-the-line',
    })
  })

  it('that is partial takes every order that respects it', () => {
    const partial = board({
      before: [
        ['a', 'c'],
        ['b', 'c'],
      ],
    })
    for (const order of [
      ['a', 'b', 'c'],
      ['b', 'a', 'c'],
    ])
      expect(mark(partial, inRow(order))[0]).toMatchObject({ verdict: 'right' })
    for (const order of [
      ['c', 'a', 'b'],
      ['a', 'c', 'b'],
    ])
      expect(mark(partial, inRow(order))[0]).toMatchObject({ verdict: 'wrong' })
  })

  it('that contradicts itself marks nothing and throws nothing', () => {
    expect(
      closure([
        ['a', 'b'],
        ['b', 'c'],
        ['c', 'a'],
      ]),
    ).toBeNull()
    expect(
      mark(
        board({
          before: [
            ['a', 'b'],
            ['b', 'a'],
          ],
        }),
        inRow(['a', 'b']),
      ),
    ).toEqual([])
  })

  it("by pairs is Kendall's measure: τ = 2·kept/all − 1 against the definition by signs (Kendall 1938)", () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 9 }), fc.integer(), (n, seed) => {
        const order = Array.from({ length: n }, (_, i) => i)
        const sequence = shuffled(order, seeded(seed))
        let signs = 0
        for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) signs += Math.sign(sequence[j]! - sequence[i]!)
        const { kept, of } = pairsKept(sequence, closure(order.slice(1).map((b, i) => [order[i]!, b]))!)
        expect(of).toBe((n * (n - 1)) / 2)
        expect((2 * kept) / of - 1).toBeCloseTo(signs / of, 12)
      }),
    )
  })

  it("agrees with a statistics library's rank correlation on what is all right and all reversed", () => {
    const order = [1, 2, 3, 4, 5, 6]
    const after = closure(order.slice(1).map((b, i) => [order[i]!, b]))!
    expect(pairsKept(order, after).kept).toBe(15)
    expect(sampleRankCorrelation(order, order)).toBeCloseTo(1)
    expect(pairsKept(order.toReversed(), after).kept).toBe(0)
    expect(sampleRankCorrelation(order, order.toReversed())).toBeCloseTo(-1)
  })

  // Two rankings of ten by ability in mathematics and in music: M. G. Kendall, Rank Correlation Methods (4th edition,
  // 1970), chapter 1, where 21 pairs agree and 24 don't, τ is −0.07 and Spearman's ρ −0.103. The values come from
  // memory.
  it("gives Kendall's own worked example its τ by counted pairs, and a statistics library its ρ", () => {
    const mathematics = ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'I', 'J']
    const ranks = [
      [7, 4, 3, 10, 6, 2, 9, 8, 1, 5],
      [5, 7, 3, 10, 1, 9, 6, 2, 8, 4],
    ] as const
    const byFirst = mathematics.toSorted(
      (a, b) => ranks[0][mathematics.indexOf(a)]! - ranks[0][mathematics.indexOf(b)]!,
    )
    const bySecond = mathematics.toSorted(
      (a, b) => ranks[1][mathematics.indexOf(a)]! - ranks[1][mathematics.indexOf(b)]!,
    )
    const { kept, of } = pairsKept(
      bySecond,
      closure(byFirst.slice(1).map((b, i): [string, string] => [byFirst[i]!, b]))!,
    )
    expect([kept, of]).toEqual([21, 45])
    expect((2 * kept) / of - 1).toBeCloseTo(-0.07, 2)
    expect(sampleRankCorrelation([...ranks[0]], [...ranks[1]])).toBeCloseTo(-0.103, 3)
  })

  it('has the longest run that trying every choice finds', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 8 }), fc.integer(), (n, seed) => {
        const order = Array.from({ length: n }, (_, i) => i)
        const sequence = shuffled(order, seeded(seed))
        const after = n > 1 ? closure(order.slice(1).map((b, i) => [order[i]!, b]))! : new Map()
        let best = 0
        for (let choice = 0; choice < 2 ** n; choice++) {
          const run = sequence.filter((_, i) => choice & (1 << i))
          if (run.every((x, i) => i === 0 || run[i - 1]! < x)) best = Math.max(best, run.length)
        }
        expect(longestRun(sequence, after)).toBe(best)
      }),
    )
  })
})
