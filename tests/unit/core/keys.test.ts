import fc from 'fast-check'
import Fraction from 'fraction.js'
import { sampleRankCorrelation } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { withoutAnswers } from '../../../core/board/edition'
import type { Piece } from '../../../core/board/piece'
import type { Place } from '../../../core/board/place'
import { quantity, quantityText, readQuantity, sum } from '../../../core/exact/quantity'
import { closure, longestRun, pairsKept } from '../../../core/keys/partialOrder'
import { nearest } from '../../../core/keys/scale/kind'
import { matching } from '../../../core/matching/bipartite'
import { seeded, shuffled } from '../../../core/layout/random'
import { scaleMarks } from '../../../core/layout/scaleMarks'
import { masterId, pieceId, placeId } from '../../boards'
import { boardOf, box, mark, tile, verdicts } from '../../keyBoards'

describe('exact quantities', () => {
  it('are read in every form that is written in schools, and in no other', () => {
    const good: [string, string][] = [['12', '12'], ['0.5', '1/2'], ['0,5', '1/2'], ['3/4', '3/4'], ['1 1/2', '3/2'], ['−3', '-3'], ['-1 1/2', '-3/2'], ['.25', '1/4'], ['12 / 16', '3/4']]
    for (const [text, value] of good) expect(readQuantity(text)?.equals(value), text).toBe(true)
    for (const text of ['', 'x', '1/0', '1 1/0', 'NaN', 'Infinity', '1e5', '1.2.3', '0x10', '1/2/3', '9'.repeat(60)]) expect(readQuantity(text), text).toBeNull()
  })

  it('come back from their own text, against the rational arithmetic of a library', () => {
    fc.assert(fc.property(fc.integer({ min: -9999, max: 9999 }), fc.integer({ min: 1, max: 999 }), (n, d) => {
      expect(quantity(quantityText(new Fraction(n, d))).equals(new Fraction(n, d))).toBe(true)
    }))
  })

  it('add up without error: a tenth ten times is one', () => {
    expect(sum(Array.from({ length: 10 }, () => quantity('0.1'))).equals(1)).toBe(true)
    expect(sum([]).equals(0)).toBe(true)
  })
})

describe('totals (facts of the trade: common practice, no source)', () => {
  const pan = { kind: 'zone' as const, id: placeId('mat'), heading: 'Mat', shape: box(0, 0, 800, 400) }
  const tiles = [...Array.from({ length: 4 }, (_, i) => tile(`h${i}`, '100')), ...Array.from({ length: 15 }, (_, i) => tile(`t${i}`, '10')), ...Array.from({ length: 13 }, (_, i) => tile(`o${i}`, '1'))]
  const lay = (names: string[]) => Object.fromEntries(names.map((id, i) => [id, [30 + (i % 15) * 45, 20 + Math.floor(i / 15) * 30] as [number, number]]))
  const some = (h: number, t: number, o: number) => [...Array.from({ length: h }, (_, i) => `h${i}`), ...Array.from({ length: t }, (_, i) => `t${i}`), ...Array.from({ length: o }, (_, i) => `o${i}`)]
  const board = (extra: object = {}) => boardOf([pan], tiles, { kind: 'total', place: 'mat', target: '342', ...extra })

  it('342 is 3 hundreds, 4 tens, 2 ones, and also 2 hundreds, 14 tens, 2 ones', () => {
    expect(mark(board(), lay(some(3, 4, 2)))[0]).toMatchObject({ verdict: 'right', points: 1 })
    expect(mark(board(), lay(some(2, 14, 2)))[0]).toMatchObject({ verdict: 'right' })
  })

  it('only the first is in standard form', () => {
    expect(mark(board({ standardForm: true }), lay(some(3, 4, 2)))[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board({ standardForm: true }), lay(some(2, 14, 2)))[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'not-standard' } })
    expect(mark(board({ standardForm: true }), lay(some(3, 3, 12)))[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'not-standard' } })
  })

  it('says what was made and what is missing, and tells an empty mat from a wrong one', () => {
    expect(mark(board(), lay(some(3, 4, 0)))[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'total-short', words: { made: '340', missing: '2' } } })
    expect(mark(board(), lay(some(4, 0, 0)))[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'total-over', words: { missing: '58' } } })
    expect(mark(board(), {})[0]).toMatchObject({ verdict: 'not-placed', reason: { code: 'empty' } })
    expect(mark(board({ tiles: 9 }), lay(some(2, 14, 2)))[0]).toMatchObject({ reason: { code: 'total-tiles', words: { tiles: 18, count: 9 } } })
  })

  it('is on the line when a tile on the edge decides, and wrong when it can\'t', () => {
    const edge: [number, number] = [800, 200]
    expect(mark(board(), { ...lay(some(3, 4, 1)), o5: edge })[0]).toMatchObject({ verdict: 'on-the-line' })
    expect(mark(board(), { ...lay(some(3, 3, 1)), o5: edge })[0]).toMatchObject({ verdict: 'wrong' })
  })

  it('of fractions is exact: three thirds of a bar are the bar', () => {
    const thirds = boardOf([pan], ['a', 'b', 'c'].map(id => tile(id, '1/3')), { kind: 'total', place: 'mat', target: '1' })
    expect(mark(thirds, lay(['a', 'b', 'c']))[0]).toMatchObject({ verdict: 'right' })
  })
})

describe('a balance', () => {
  const pans: Place[] = [{ kind: 'pan', id: placeId('l'), heading: 'Left', shape: box(0, 0, 200, 100) }, { kind: 'pan', id: placeId('r'), heading: 'Right', shape: box(300, 0, 200, 100) }]
  const board = boardOf(pans, [tile('a', '1/2'), tile('b', '0.25'), tile('c', '1/4'), tile('d', '0.2')], { kind: 'balance', left: 'l', right: 'r' })
  it('is level for exactly equal sides only, and not while it is empty', () => {
    expect(mark(board, { a: [50, 50], b: [350, 50], c: [420, 50] })[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board, { a: [50, 50], b: [350, 50], d: [420, 50] })[0]).toMatchObject({ verdict: 'wrong', reason: { words: { left: '0.5', right: '0.45' } } })
    expect(mark(board, { a: [50, 50] })[0]).toMatchObject({ verdict: 'wrong' })
    expect(mark(board, {})[0]).toMatchObject({ verdict: 'not-placed' })
    // On the edge it matters only where the pans could be level with it.
    expect(mark(board, { a: [200, 50], b: [350, 50], c: [420, 50] })[0]).toMatchObject({ verdict: 'on-the-line' })
    expect(mark(board, { a: [200, 50], b: [350, 50] })[0]).toMatchObject({ verdict: 'wrong' })
  })
})

describe('an order', () => {
  const lane: Place = { kind: 'lane', id: placeId('lane'), heading: 'Lane', direction: 'row', shape: box(0, 0, 900, 100) }
  const names = ['a', 'b', 'c', 'd', 'e']
  const chain = names.slice(1).map((b, i) => [names[i], b])
  const board = (extra: object = {}, place: Place = lane) => boardOf([place], names.map(n => tile(n, '1')), { kind: 'order', lane: 'lane', before: chain, credit: 'pairs', ...extra })
  const inRow = (sequence: string[]) => Object.fromEntries(sequence.map((n, i) => [n, [40 + i * 100, 50] as [number, number]]))

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
    expect(mark(board({}, column), Object.fromEntries(names.map((n, i) => [n, [50, 40 + i * 60] as [number, number]])))[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board(), { a: [300, 20], b: [400, 24], c: [100, 75], d: [200, 70], e: [300, 74] })[0]).toMatchObject({ verdict: 'right' })
  })

  it('is unfinished, empty or on the line', () => {
    expect(mark(board(), inRow(['a', 'b']))[0]).toMatchObject({ verdict: 'wrong', points: 1, reason: { code: 'order-unfinished' } })
    expect(mark(board(), {})[0]).toMatchObject({ verdict: 'not-placed' })
    expect(mark(board(), { ...inRow(['a', 'b', 'c', 'd']), e: [500, 100] })[0]).toMatchObject({ verdict: 'on-the-line' })
  })

  it('that is partial takes every order that respects it', () => {
    const partial = board({ before: [['a', 'c'], ['b', 'c']] })
    for (const order of [['a', 'b', 'c'], ['b', 'a', 'c']]) expect(mark(partial, inRow(order))[0]).toMatchObject({ verdict: 'right' })
    for (const order of [['c', 'a', 'b'], ['a', 'c', 'b']]) expect(mark(partial, inRow(order))[0]).toMatchObject({ verdict: 'wrong' })
  })

  it('that contradicts itself marks nothing and throws nothing', () => {
    expect(closure([['a', 'b'], ['b', 'c'], ['c', 'a']])).toBeNull()
    expect(mark(board({ before: [['a', 'b'], ['b', 'a']] }), inRow(['a', 'b']))).toEqual([])
  })

  it('by pairs is Kendall\'s measure: τ = 2·kept/all − 1 against the definition by signs (Kendall 1938)', () => {
    fc.assert(fc.property(fc.integer({ min: 2, max: 9 }), fc.integer(), (n, seed) => {
      const order = Array.from({ length: n }, (_, i) => i)
      const sequence = shuffled(order, seeded(seed))
      let signs = 0
      for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) signs += Math.sign(sequence[j]! - sequence[i]!)
      const { kept, of } = pairsKept(sequence, closure(order.slice(1).map((b, i) => [order[i]!, b]))!)
      expect(of).toBe(n * (n - 1) / 2)
      expect(2 * kept / of - 1).toBeCloseTo(signs / of, 12)
    }))
  })

  it('agrees with a statistics library\'s rank correlation on what is all right and all reversed', () => {
    const order = [1, 2, 3, 4, 5, 6]
    const after = closure(order.slice(1).map((b, i) => [order[i]!, b]))!
    expect(pairsKept(order, after).kept).toBe(15)
    expect(sampleRankCorrelation(order, order)).toBeCloseTo(1)
    expect(pairsKept(order.toReversed(), after).kept).toBe(0)
    expect(sampleRankCorrelation(order, order.toReversed())).toBeCloseTo(-1)
  })

  // Two rankings of ten by ability in mathematics and in music: M. G. Kendall, Rank Correlation Methods (4th edition, 1970),
  // chapter 1, where 21 pairs agree and 24 don't, τ is −0.07 and Spearman's ρ −0.103. The values come from memory.
  it('gives Kendall\'s own worked example its τ by counted pairs, and a statistics library its ρ', () => {
    const mathematics = ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'I', 'J']
    const ranks = [[7, 4, 3, 10, 6, 2, 9, 8, 1, 5], [5, 7, 3, 10, 1, 9, 6, 2, 8, 4]] as const
    const byFirst = mathematics.toSorted((a, b) => ranks[0][mathematics.indexOf(a)]! - ranks[0][mathematics.indexOf(b)]!)
    const bySecond = mathematics.toSorted((a, b) => ranks[1][mathematics.indexOf(a)]! - ranks[1][mathematics.indexOf(b)]!)
    const { kept, of } = pairsKept(bySecond, closure(byFirst.slice(1).map((b, i): [string, string] => [byFirst[i]!, b]))!)
    expect([kept, of]).toEqual([21, 45])
    expect(2 * kept / of - 1).toBeCloseTo(-0.07, 2)
    expect(sampleRankCorrelation([...ranks[0]], [...ranks[1]])).toBeCloseTo(-0.103, 3)
  })

  it('has the longest run that trying every choice finds', () => {
    fc.assert(fc.property(fc.integer({ min: 1, max: 8 }), fc.integer(), (n, seed) => {
      const order = Array.from({ length: n }, (_, i) => i)
      const sequence = shuffled(order, seeded(seed))
      const after = n > 1 ? closure(order.slice(1).map((b, i) => [order[i]!, b]))! : new Map()
      let best = 0
      for (let choice = 0; choice < 2 ** n; choice++) {
        const run = sequence.filter((_, i) => choice & 1 << i)
        if (run.every((x, i) => i === 0 || run[i - 1]! < x)) best = Math.max(best, run.length)
      }
      expect(longestRun(sequence, after)).toBe(best)
    }))
  })
})

describe('slots and grids', () => {
  const slots: Place[] = ['p', 'q', 'r'].map((id, i) => ({ kind: 'slot', id: placeId(id), heading: id.toUpperCase(), shape: box(i * 100, 0, 60, 40) }))
  const at = (i: number, dx = 0): [number, number] => [i * 100 + 30 + dx, 20]
  const product = boardOf(slots, ['3', '4', '12', '6'].map(n => tile(`n${n}`, n)), {
    kind: 'slots', fits: { p: ['n3', 'n4'], q: ['n3', 'n4'], r: ['n12'] }, alike: [['p', 'q']],
  })

  it('take alternatives and let like slots change places, each piece once', () => {
    expect(verdicts(mark(product, { n3: at(0), n4: at(1), n12: at(2) }))).toEqual({ p: 'right', q: 'right', r: 'right' })
    expect(verdicts(mark(product, { n4: at(0), n3: at(1), n6: at(2) }))).toEqual({ p: 'right', q: 'right', r: 'wrong' })
    expect(verdicts(mark(product, { n4: at(0) }))).toEqual({ p: 'right', q: 'not-placed', r: 'not-placed' })
  })

  it('like slots with answers of their own still take each answer wherever it stands', () => {
    const pair = boardOf(slots.slice(0, 2), ['3', '4', '6'].map(n => tile(`n${n}`, n)), { kind: 'slots', fits: { p: ['n3'], q: ['n4'] }, alike: [['p', 'q']] })
    expect(verdicts(mark(pair, { n4: at(0), n3: at(1) }))).toEqual({ p: 'right', q: 'right' })
    expect(verdicts(mark(pair, { n4: at(0), n6: at(1) }))).toEqual({ p: 'right', q: 'wrong' })
  })

  it('say when two are in one, and when one is not quite in', () => {
    expect(mark(product, { n3: at(0), n4: at(0, 3) })[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'two-in-slot' } })
    expect(mark(product, { n12: at(2, 30) })[2]).toMatchObject({ verdict: 'on-the-line' })
  })

  it('name the cells of a grid by row and column: 3 rows of 4 are a 3 × 4 array (common practice, no source)', () => {
    const grid: Place = { kind: 'grid', id: placeId('g'), heading: 'Array', rows: 3, columns: 4, shape: box(0, 0, 400, 180) }
    const pieces = Array.from({ length: 12 }, (_, i) => tile(`x${i}`, '1'))
    const fits = Object.fromEntries(pieces.map((p, i) => [`g:${Math.floor(i / 4)},${i % 4}`, [p.id]]))
    const board = boardOf([grid], pieces, { kind: 'slots', fits })
    const all = Object.fromEntries(pieces.map((p, i) => [p.id, [50 + (i % 4) * 100, 30 + Math.floor(i / 4) * 60] as [number, number]]))
    expect(mark(board, all).every(m => m.verdict === 'right')).toBe(true)
    expect(verdicts(mark(board, { ...all, x0: all.x1!, x1: all.x0! }))).toMatchObject({ 'g:0,0': 'wrong', 'g:0,1': 'wrong', 'g:2,3': 'right' })
  })
})

describe('matching', () => {
  it('places everybody exactly when Hall\'s condition holds (P. Hall, 1935), by trying every group', () => {
    fc.assert(fc.property(fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 4 })), { minLength: 1, maxLength: 6 }), (fits) => {
      let hall = true
      for (let group = 1; group < 2 ** fits.length; group++) {
        const members = fits.filter((_, i) => group & 1 << i)
        if (new Set(members.flat()).size < members.length) hall = false
      }
      const partners = matching(fits)
      expect(partners.every(p => p !== null)).toBe(hall)
      const used = partners.filter(p => p !== null)
      expect(new Set(used).size).toBe(used.length)
      partners.forEach((p, i) => p === null || expect(fits[i]).toContain(p))
    }), { numRuns: 500 })
  })
})

describe('a scale', () => {
  const scale = (extra: object = {}): Place => ({ kind: 'scale', id: placeId('s'), heading: 'Line', least: '0', most: '1', step: '1/4', shape: box(100, 100, 800, 100), ...extra })
  const board = (extra: object = {}, key: object = {}) => boardOf([scale(extra)], [tile('half', '1/2'), tile('third', '1/3')], { kind: 'scale', scale: 's', values: { half: '1/2', third: '1/3' }, tolerance: '1/20', ...key })

  it('takes a place within the tolerance, its edge included, leaves a little more to the teacher, and no more', () => {
    const at = (value: number): [number, number] => [100 + 800 * value, 150]
    expect(verdicts(mark(board(), { half: at(0.5), third: at(1 / 3) }))).toEqual({ half: 'right', third: 'right' })
    expect(verdicts(mark(board(), { half: at(0.55) })).half).toBe('right')
    expect(verdicts(mark(board(), { half: at(0.56) })).half).toBe('on-the-line')
    expect(mark(board(), { half: at(0.75) })[0]).toMatchObject({ verdict: 'wrong', reason: { words: { stands: '0.75', wanted: '0.5' } } })
    expect(mark(board(), { half: [500, 400] })[0]).toMatchObject({ verdict: 'not-placed', reason: { code: 'off-scale' } })
    expect(mark(board(), {})[0]).toMatchObject({ verdict: 'not-placed', reason: { code: 'on-ledge' } })
  })

  it('that stands runs upwards', () => {
    const upright = board({ shape: box(100, 40, 100, 400) })
    expect(verdicts(mark(upright, { third: [150, 40 + 400 * 2 / 3] })).third).toBe('right')
  })

  it('names the nearest step exactly: counting on in fives 5, 10, 15, 20, 25 (common practice, no source)', () => {
    expect([4, 11, 14.9, 18, 25].map(v => quantityText(nearest(v, quantity('5'), quantity('0'))))).toEqual(['5', '10', '15', '20', '25'])
    expect(nearest(0.3, quantity('1/3'), quantity('0')).equals('1/3')).toBe(true)
  })

  it('draws a mark at every step and leaves numbers out where they would collide', () => {
    const line = scale({ least: '0', most: '100', step: '1' }) as Extract<Place, { kind: 'scale' }>
    const marks = scaleMarks(line, 15)
    expect(marks).toHaveLength(101)
    expect(marks.filter(m => m.text).length).toBeLessThan(40)
    expect(scaleMarks(scale({ step: '1/3' }) as typeof line, 15).map(m => m.text)).toEqual(['0', '1/3', '2/3', '1'])
  })

  it('with its ends the wrong way round, or with a step of nothing, is refused', () => {
    for (const bad of [{ least: '5', most: '1' }, { step: '0' }, { step: '-1' }, { least: '1/0' }]) expect(() => board(bad)).toThrow(/schema/)
  })
})

describe('labels', () => {
  const pin = (id: string, x: number): Place => ({ kind: 'pin', id: placeId(id), heading: id, shape: { kind: 'ellipse', x: x - 20, y: 180, width: 40, height: 40 } })
  const label: Piece = { kind: 'label', id: pieceId('keel'), master: masterId('m'), text: 'keel', tip: 'right' }
  const board = boardOf([pin('keelpin', 300), pin('mastpin', 500)], [label], { kind: 'label', pins: { keel: ['keelpin'] } })
  /** Where the label's middle must be for its tip to be at x: half its width and the tip's length to the left. */
  const tipAt = (x: number): Record<string, [number, number]> => ({ keel: [x - 20 - 12, 200] })

  it('are right where the tip is within the pin\'s radius, wherever the box lies', () => {
    expect(mark(board, tipAt(300))[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board, tipAt(319.9))[0]).toMatchObject({ verdict: 'right' })
    expect(mark(board, { keel: [300, 200] })[0]).not.toMatchObject({ verdict: 'right' })
  })

  it('are on the line a little farther off, explain a mix-up, and point at nothing elsewhere', () => {
    expect(mark(board, tipAt(325))[0]).toMatchObject({ verdict: 'on-the-line' })
    expect(mark(board, tipAt(500))[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'points-elsewhere', words: { place: { anyPlace: ['mastpin'] }, home: { anyPlace: ['keelpin'] } } } })
    expect(mark(board, tipAt(400))[0]).toMatchObject({ verdict: 'not-placed', reason: { code: 'points-nowhere' } })
  })
})

describe('what a student\'s device gets', () => {
  it('has pins without their names', () => {
    const pins: Place[] = [{ kind: 'pin', id: placeId('p'), heading: 'Keel', shape: { kind: 'ellipse', x: 10, y: 10, width: 40, height: 40 } }]
    const board = boardOf(pins, [{ kind: 'label', id: pieceId('l'), master: masterId('m'), text: 'keel', tip: 'up' }], { kind: 'label', pins: { l: ['p'] } })
    expect(JSON.stringify(withoutAnswers(board))).not.toContain('Keel')
  })
})

describe('rings', () => {
  const ring = (id: string, x: number): Place => ({ kind: 'zone', id: placeId(id), heading: id, shape: { kind: 'ellipse', x, y: 40, width: 400, height: 400 } })
  const two = [ring('A', 100), ring('B', 350)]
  const homes = { onlyA: ['A'], both: ['A', 'B'], onlyB: ['B'], outside: [] }
  const board = boardOf(two, Object.keys(homes).map(id => tile(id, '1')), { kind: 'sort', homes, regions: true })
  const spots: Record<string, [number, number]> = { onlyA: [200, 240], both: [425, 240], onlyB: [650, 240], outside: [880, 60] }

  it('make four regions of two, the outside included, and each is an answer of its own', () => {
    expect(Object.values(verdicts(mark(board, spots)))).toEqual(['right', 'right', 'right', 'right'])
    for (const piece of Object.keys(homes)) {
      for (const [region, spot] of Object.entries(spots)) expect(verdicts(mark(board, { [piece]: spot }))[piece], `${piece} in ${region}`).toBe(piece === region ? 'right' : 'wrong')
    }
    expect(verdicts(mark(board, {})).outside).toBe('not-placed')
  })

  it('leave a piece on a rim to the teacher where a reading of it is right', () => {
    expect(verdicts(mark(board, { onlyA: [350, 240] })).onlyA).toBe('on-the-line')
    expect(verdicts(mark(board, { outside: [350, 240] })).outside).toBe('wrong')
  })

  it('make eight regions of three', () => {
    const three = [ring('A', 100), ring('B', 350), { ...ring('C', 225), shape: { kind: 'ellipse' as const, x: 225, y: 200, width: 400, height: 400 } } as Place]
    const all = boardOf(three, [tile('t', '1')], { kind: 'sort', homes: { t: [] }, regions: true })
    const seen = new Set<string>()
    for (let x = 20; x < 960; x += 10) {
      for (let y = 10; y < 480; y += 10) {
        const [first] = mark(all, { t: [x, y] })
        const { code, words } = first!.reason
        const lies = (words.place ?? words.lies) as { allPlaces: string[] } | undefined
        if (code === 'right-region' || code === 'wrong-region') seen.add(lies!.allPlaces.join(' + '))
      }
    }
    expect([...seen].toSorted()).toEqual(['', 'A', 'A + B', 'A + B + C', 'A + C', 'B', 'B + C', 'C'])
  })
})
