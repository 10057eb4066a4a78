import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PieceId } from '../../../core/board/ids'
import { makeEdition } from '../../../core/board/edition'
import type { Place } from '../../../core/board/place'
import { layoutGaps } from '../../../core/layout/gaps'
import { balanceSteps } from '../../../core/keys/balance/steps'
import { markSlate } from '../../../core/keys/mark'
import type { BalanceKey } from '../../../core/keys/balance/key'
import { plain } from '../../../core/keys/write/judge'
import type { Move } from '../../../core/slate/move'
import { masterId, pieceId, placeId } from '../../boards'
import { boardOf, box, card, mark, SIZES, slateOf, tile, verdicts, type Spots } from '../../keyBoards'

const zone = (id: string, x: number, width = 300): Place => ({ kind: 'zone', id: placeId(id), heading: id, shape: box(x, 0, width, 300) })

describe('matching sets', () => {
  const pieces = ['cat', 'felt', 'dog', 'bark'].map(id => card(id))
  const sets = [['cat', 'felt'], ['dog', 'bark']]
  const touch = boardOf([], pieces, { kind: 'match', sets, where: [] })

  it('are together wherever on the page they touch, and apart where they don\'t', () => {
    expect(verdicts(mark(touch, { cat: [100, 100], felt: [188, 100], dog: [400, 300], bark: [400, 350] }))).toEqual({ cat: 'right', dog: 'right' })
    expect(mark(touch, { cat: [100, 100], felt: [400, 100], dog: [400, 300] })).toMatchObject([{ verdict: 'wrong', reason: { code: 'match-split' } }, { verdict: 'wrong', reason: { code: 'match-split' } }])
    expect(mark(touch, {})).toMatchObject([{ verdict: 'not-placed' }, { verdict: 'not-placed' }])
  })

  it('say with whom they were mixed up, and leave a wide gap to the teacher', () => {
    expect(mark(touch, { cat: [100, 100], felt: [188, 100], dog: [276, 100], bark: [364, 100] })[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'match-mixed', words: { with: { pieces: ['dog', 'bark'] } } } })
    expect(mark(touch, { cat: [100, 100], felt: [200, 100] })[0]).toMatchObject({ verdict: 'on-the-line' })
  })

  it('touch with the edges that they have as they lie, also on their side', () => {
    const { width, height } = SIZES.card
    const turning = boardOf([], pieces.map(p => ({ ...p, turns: true })), { kind: 'match', sets, where: [] })
    const beside = 100 + width / 2 + height / 2 + 4
    expect(verdicts(mark(turning, { cat: [100, 200], felt: [beside, 200, 90] })).cat).toBe('right')
    expect(verdicts(mark(turning, { cat: [100, 200], felt: [beside + 40, 200, 90] })).cat).toBe('wrong')
  })

  it('may stand in whichever row of a grid', () => {
    const grid: Place = { kind: 'grid', id: placeId('g'), heading: 'Pairs', rows: 3, columns: 2, shape: box(0, 0, 400, 180) }
    const board = boardOf([grid], pieces, { kind: 'match', sets, where: ['g'] })
    const at = (row: number, column: number): [number, number] => [100 + column * 200, 30 + row * 60]
    expect(verdicts(mark(board, { cat: at(2, 0), felt: at(2, 1), bark: at(0, 0), dog: at(0, 1) }))).toEqual({ cat: 'right', dog: 'right' })
    expect(verdicts(mark(board, { cat: at(2, 0), bark: at(2, 1), felt: at(0, 0), dog: at(0, 1) }))).toEqual({ cat: 'wrong', dog: 'wrong' })
  })
})

describe('totals in several ways and in units', () => {
  it('count two ways only where they differ', () => {
    const board = boardOf([zone('a', 0), zone('b', 320)], ['5', '5', '2', '3', '10'].map((v, i) => tile(`t${i}`, v)), { kind: 'total', place: 'a', target: '10', ways: ['b'] })
    expect(verdicts(mark(board, { t0: [40, 40], t1: [100, 40], t4: [400, 40] }))).toEqual({ a: 'right', b: 'right' })
    expect(verdicts(mark(board, { t0: [40, 40], t1: [100, 40], t2: [400, 40], t3: [460, 40] }))).toEqual({ a: 'right', b: 'wrong' })
    const twice = boardOf([zone('a', 0), zone('b', 320)], ['5', '5', '5', '5'].map((v, i) => tile(`t${i}`, v)), { kind: 'total', place: 'a', target: '10', ways: ['b'] })
    expect(mark(twice, { t0: [40, 40], t1: [100, 40], t2: [400, 40], t3: [460, 40] })[1]).toMatchObject({ verdict: 'wrong', reason: { code: 'same-way' } })
  })

  it('add mixed units exactly, say what is missing in them, and don\'t add minutes to metres', () => {
    const board = boardOf([zone('rope', 0, 700)], [tile('a', '1 m'), tile('b', '75 cm'), tile('c', '250 mm'), tile('d', '5 min')], { kind: 'total', place: 'rope', target: '2 m' })
    expect(verdicts(mark(board, { a: [40, 40], b: [100, 40], c: [160, 40] }))).toEqual({ rope: 'right' })
    expect(mark(board, { a: [40, 40], b: [100, 40] })[0]).toMatchObject({ verdict: 'wrong', reason: { words: { made: '1 m 75 cm', missing: '25 cm' } } })
    expect(mark(board, { a: [40, 40], d: [100, 40] })[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'total-other-unit' } })
  })
})

describe('a balance with an unknown', () => {
  const pans: Place[] = [{ kind: 'pan', id: placeId('l'), heading: 'Left', shape: box(0, 0, 300, 200) }, { kind: 'pan', id: placeId('r'), heading: 'Right', shape: box(320, 0, 300, 200) }]
  const x = (id: string) => tile(id, '1', { term: 'x', text: 'x' })
  const staged = { x1: { x: 40, y: 40 }, x2: { x: 90, y: 40 }, t3: { x: 140, y: 40 }, u3: { x: 360, y: 40 }, t8: { x: 410, y: 40 } }
  // 2x + 3 = 3 + 8, so x is 4.
  const board = boardOf(pans, [x('x1'), x('x2'), tile('t3', '3'), tile('u3', '3'), tile('t8', '8'), tile('t4', '4')], { kind: 'balance', left: 'l', right: 'r', unknown: '4', solve: true }, { staged })
  const key = board.keys[0] as BalanceKey

  it('is level while the equation is true, and solved only when x stands alone', () => {
    const start: Spots = Object.fromEntries(Object.entries(staged).map(([id, { x, y }]) => [id, [x, y] as const]))
    expect(mark(board, start)[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'balance-unsolved', words: { left: '2x + 3', right: '11' } } })
    expect(mark(board, { x1: [40, 40], t4: [360, 40] })[0]).toMatchObject({ verdict: 'right', reason: { code: 'balance-solved' } })
    expect(mark(board, { x1: [40, 40], t8: [360, 40] })[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'balance-tilted' } })
  })

  it('knows each true step of the balancing, and none of what was tilted in between', () => {
    const shelve = (piece: string): Move => ({ kind: 'shelve', piece: pieceId(piece) })
    const moves: Move[] = [shelve('t3'), shelve('u3'), shelve('x2'), { kind: 'put', piece: pieceId('t4'), x: 360, y: 100 }, shelve('t8')]
    expect(balanceSteps(key, moves, makeEdition(board))).toEqual([
      { equation: '2x + 3 = 11', level: true, solved: false }, { equation: '2x = 8', level: true, solved: false }, { equation: 'x = 4', level: true, solved: true },
    ])
  })
})

describe('expressions in tiles (facts of the trade: common practice, no source)', () => {
  const mat: Place[] = [{ kind: 'zone', id: placeId('mat'), heading: 'Mat', shape: box(0, 0, 900, 460) }]
  const xx = { ...tile('xx', '1', { term: 'x^2' }), master: masterId('xx') }
  const xs = Array.from({ length: 7 }, (_, i) => ({ ...tile(`x${i}`, '1', { term: 'x', turns: true, other: { text: '−x', value: '-1' } }), master: masterId('x') }))
  const ones = Array.from({ length: 10 }, (_, i) => ({ ...tile(`o${i}`, '1'), master: masterId('one') }))
  const board = (more: object) => boardOf(mat, [xx, ...xs, ...ones], { kind: 'expression', place: 'mat', target: 'x^2 + 6x + 9', ...more })
  const { xx: big, x: bar } = SIZES
  /** x² in the corner, three bars to the right standing, three below lying, nine ones between them, each a little askew. */
  const square = (askew = 0): Spots => Object.fromEntries([
    ['xx', [100 + big.width / 2, 100 + big.height / 2]],
    ...[0, 1, 2].map(i => [`x${i}`, [190 + bar.height / 2 + i * 30, 145 + askew, 90]]),
    ...[3, 4, 5].map((n, i) => [`x${n}`, [145, 190 + bar.height / 2 + i * 30 - askew]]),
    ...Array.from({ length: 9 }, (_, i) => [`o${i}`, [205 + (i % 3) * 30 + askew / 2, 205 + Math.floor(i / 3) * 30]]),
  ]) as Spots

  it('x² + 6x becomes a square with 9 ones', () => {
    expect(mark(board({ as: 'square' }), square())[0]).toMatchObject({ verdict: 'right', reason: { words: { product: '(x + 3)(x + 3)' } } })
    expect(mark(board({ as: 'square' }), square(6))[0]).toMatchObject({ verdict: 'right' })
    const { o8: _, ...eight } = square()
    expect(mark(board({ as: 'square' }), eight)[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'expression-other', words: { made: 'x² + 6x + 8' } } })
  })

  it('the right tiles are no product while they leave a gap', () => {
    expect(mark(board({ as: 'rectangle' }), { ...square(), o8: [500, 300] })[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'expression-gaps' } })
    expect(mark(board({}), { ...square(), o8: [500, 300] })[0]).toMatchObject({ verdict: 'right' })
  })

  it('a rectangle that is no square is told from one', () => {
    const two = boardOf(mat, [xx, ...xs, ...ones], { kind: 'expression', place: 'mat', target: 'x^2 + 3x + 2', as: 'square' })
    const spots: Spots = { xx: [145, 145], x0: [205, 145, 90], x1: [235, 145, 90], x2: [145, 205], o0: [205, 205], o1: [235, 205] }
    expect(mark(two, spots)[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'expression-no-square', words: { product: '(x + 2)(x + 1)' } } })
    const rectangle = boardOf(mat, [xx, ...xs, ...ones], { kind: 'expression', place: 'mat', target: 'x^2 + 3x + 2', as: 'rectangle' })
    expect(mark(rectangle, spots)[0]).toMatchObject({ verdict: 'right' })
  })

  it('a tile and its negative make nothing', () => {
    const zero = boardOf(mat, [...xs, ...ones, tile('n1', '-1')], { kind: 'expression', place: 'mat', target: 'x' })
    expect(mark(zero, { x0: [100, 100], o0: [300, 300], n1: [400, 300] })[0]).toMatchObject({ verdict: 'right', reason: { words: { pairs: 1 } } })
    expect(mark(zero, {})[0]).toMatchObject({ verdict: 'not-placed' })
    expect(mark(zero, { x0: [100, 100], o0: [900, 300] })[0]).toMatchObject({ verdict: 'on-the-line' })
  })
})

describe('covered cells', () => {
  const chart: Place = { kind: 'grid', id: placeId('g'), heading: 'Chart', rows: 10, columns: 10, shape: box(0, 0, 400, 400) }
  const bin = { kind: 'cover' as const, id: pieceId('c'), master: masterId('cover'), text: '', bin: true }
  const cell = (n: number): [number, number] => [20 + ((n - 1) % 10) * 40, 20 + Math.floor((n - 1) / 10) * 40]
  const covers = (numbers: readonly number[]): Spots => Object.fromEntries(numbers.map(n => [`c~${String(n).padStart(4, '0')}`, cell(n)]))
  const cells = (numbers: readonly number[]) => numbers.map(n => `${Math.floor((n - 1) / 10)},${(n - 1) % 10}`)
  // The multiples of 7 up to a hundred: OEIS A008589.
  const sevens = [7, 14, 21, 28, 35, 42, 49, 56, 63, 70, 77, 84, 91, 98]
  const board = boardOf([chart], [bin], { kind: 'cover', grid: 'g', cells: cells(sevens) })

  it('are the multiples of seven on a hundred chart, each missing one and each too many counted', () => {
    expect(mark(board, covers(sevens))[0]).toMatchObject({ verdict: 'right', points: 14, of: 14 })
    expect(mark(board, covers(sevens.slice(2)))[0]).toMatchObject({ verdict: 'wrong', points: 12, reason: { code: 'cover-missing', words: { missing: { cells: cells([7, 14]) } } } })
    expect(mark(board, covers([...sevens, 27]))[0]).toMatchObject({ verdict: 'wrong', points: 13, reason: { code: 'cover-over', words: { extra: { cells: cells([27]) } } } })
    expect(mark(board, covers(Array.from({ length: 100 }, (_, i) => i + 1)))[0]).toMatchObject({ verdict: 'wrong', points: 0 })
    expect(mark(board, {})[0]).toMatchObject({ verdict: 'not-placed' })
  })

  it('are on the line while a cover lies between two, and two covers on one cell count once', () => {
    const [x, y] = cell(14)
    expect(mark(board, { ...covers(sevens), 'c~0014': [x + 18, y] })[0]).toMatchObject({ verdict: 'on-the-line' })
    expect(mark(board, { ...covers(sevens), 'c~zzzz': cell(14) })[0]).toMatchObject({ verdict: 'right' })
  })

  it('three rows of four are a 3 × 4 array wherever they stand (common practice, no source)', () => {
    const array = boardOf([chart], [bin], { kind: 'cover', grid: 'g', cells: [], array: { rows: 3, columns: 4 } })
    const block = (rows: number, columns: number, from: number) => covers(Array.from({ length: rows * columns }, (_, i) => from + Math.floor(i / columns) * 10 + i % columns))
    expect(mark(array, block(3, 4, 24))[0]).toMatchObject({ verdict: 'right' })
    expect(mark(array, block(4, 3, 24))[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'array-wrong', words: { made: '4 × 3' } } })
    expect(mark(array, covers([1, 2, 3, 5]))[0]).toMatchObject({ verdict: 'wrong', reason: { code: 'no-array' } })
  })
})

describe('arrows', () => {
  const pieces = ['weed', 'limpet', 'crab', 'gull'].map(id => card(id))
  const web = boardOf([], pieces, { kind: 'arrows', arrows: [['weed', 'limpet'], ['limpet', 'crab'], ['crab', 'gull']] }, { arrows: true })
  const all: Spots = Object.fromEntries(pieces.map((p, i) => [p.id, [100 + i * 120, 100]]))
  const drawn = (...arrows: [string, string][]) => mark(web, all, { arrows })[0]

  it('are a graph against a graph: missing, too many, the wrong way round', () => {
    expect(drawn(['weed', 'limpet'], ['limpet', 'crab'], ['crab', 'gull'])).toMatchObject({ verdict: 'right', points: 3, of: 3 })
    expect(drawn(['weed', 'limpet'])).toMatchObject({ verdict: 'wrong', points: 1, reason: { code: 'arrows-missing', words: { missing: { arrows: [['limpet', 'crab'], ['crab', 'gull']] } } } })
    expect(drawn(['weed', 'limpet'], ['limpet', 'crab'], ['gull', 'crab'])).toMatchObject({ points: 1, reason: { code: 'arrows-reversed', words: { reversed: { arrows: [['gull', 'crab']] } } } })
    expect(drawn(['weed', 'limpet'], ['limpet', 'crab'], ['crab', 'gull'], ['weed', 'gull'])).toMatchObject({ verdict: 'wrong', points: 2, reason: { code: 'arrows-over' } })
    expect(drawn()).toMatchObject({ verdict: 'not-placed' })
  })

  it('to a piece on the ledge are not there; where direction is free both ways are one', () => {
    const { gull: _, ...three } = all
    expect(mark(web, three, { arrows: [['weed', 'limpet'], ['limpet', 'crab'], ['crab', 'gull']] })[0]).toMatchObject({ points: 2 })
    const free = boardOf([], pieces, { kind: 'arrows', bothWays: true, arrows: [['weed', 'limpet']] }, { arrows: true })
    expect(mark(free, all, { arrows: [['limpet', 'weed']] })[0]).toMatchObject({ verdict: 'right' })
  })
})

describe('typed answers', () => {
  const space = (id: string): Place => ({ kind: 'writing', id: placeId(id), heading: id, shape: box(0, 0, 300, 40), lines: 'one', textSize: 18 })
  const verdictOf = (text: string, answer: object) => mark(boardOf([space('w')], [], { kind: 'write', answers: { w: answer } }), {}, { texts: { w: text } })[0]!

  it('let case, spaces, accents and punctuation be, unless the key tells them apart', () => {
    const answer = { accepts: ['the café’s door'] }
    for (const text of ['The café’s door', '  the   cafe\'s door ', 'THE CAFES DOOR.', 'the cafe´s door'.replace('´', '\'')]) expect(verdictOf(text, answer), text).toMatchObject({ verdict: 'right' })
    expect(verdictOf('The café’s door', { ...answer, capitals: true }).verdict).not.toBe('right')
    expect(verdictOf('the cafe’s door', { ...answer, accents: true }).verdict).not.toBe('right')
    expect(verdictOf('the cafés door', { ...answer, punctuation: true }).verdict).not.toBe('right')
  })

  it('leave a slip to the teacher, not to nought, and tell it from another word', () => {
    const answer = { accepts: ['limpet', 'limpets'] }
    expect(verdictOf('limpets', answer).verdict).toBe('right')
    expect(verdictOf('limpit', answer)).toMatchObject({ verdict: 'on-the-line', points: 0, reason: { code: 'written-near' } })
    expect(verdictOf('mussel', answer).verdict).toBe('wrong')
    expect(verdictOf('  ', answer).verdict).toBe('not-placed')
    expect(verdictOf('in', { accepts: ['on'] }).verdict).toBe('wrong')
  })

  it('take a number in any form of the same value, within its tolerance, and with its unit', () => {
    for (const text of ['3/4', '0.75', '6/8', ' 0,75 ']) expect(verdictOf(text, { accepts: ['3/4'] }).verdict, text).toBe('right')
    expect(verdictOf('0.76', { accepts: ['3/4'] }).verdict).toBe('wrong')
    expect(verdictOf('0.76', { accepts: ['3/4'], tolerance: '0.01' }).verdict).toBe('right')
    expect(verdictOf('three quarters', { accepts: ['3/4'] }).verdict).toBe('on-the-line')
    for (const text of ['1.5 m', '150 cm', '1 m 50 cm']) expect(verdictOf(text, { accepts: ['1.5 m'] }).verdict, text).toBe('right')
    expect(verdictOf('1.5', { accepts: ['1.5 m'] })).toMatchObject({ verdict: 'on-the-line', reason: { code: 'written-no-unit' } })
    expect(verdictOf('1.5 kg', { accepts: ['1.5 m'] })).toMatchObject({ verdict: 'on-the-line', reason: { code: 'written-other-unit' } })
  })

  it('compare as a text with nothing told apart does, whatever is typed', () => {
    fc.assert(fc.property(fc.string({ unit: 'grapheme', maxLength: 30 }), (text) => {
      const once = plain(text, {})
      expect(plain(once, {})).toBe(once)
      expect(plain(` ${text} `, {})).toBe(once)
    }))
  })
})

describe('gaps in a text', () => {
  const gaps = (typed: boolean): Place => ({ kind: 'gaps', id: placeId('g'), heading: '', shape: box(20, 20, 500, 200), text: 'The ____ clings to the ____ when\nthe tide goes __.', textSize: 20, typed, gap: { width: 100, height: 48 } })
  const bank = ['limpet', 'rock', 'out', 'sky'].map(id => card(id))

  it('take pieces from a word bank; an extra word fits none', () => {
    const board = boardOf([gaps(false)], bank, { kind: 'slots', fits: { 'g:0,0': ['limpet'], 'g:0,1': ['rock'], 'g:0,2': ['out'] } })
    const place = gaps(false) as Extract<Place, { kind: 'gaps' }>
    const middle = layoutGaps(place).gaps.map(({ x, y, width, height }): [number, number] => [x + width / 2, y + height / 2])
    expect(middle).toHaveLength(3)
    expect(verdicts(mark(board, { limpet: middle[0]!, sky: middle[1]! }))).toEqual({ 'g:0,0': 'right', 'g:0,1': 'wrong', 'g:0,2': 'not-placed' })
  })

  it('flow in lines: nothing overlaps, nothing stands beyond the right edge, a full stop stays at its gap', () => {
    fc.assert(fc.property(fc.integer({ min: 260, max: 900 }), fc.integer({ min: 12, max: 30 }), (width, textSize) => {
      const place = { ...gaps(true), shape: box(0, 0, width, 300), textSize } as Extract<Place, { kind: 'gaps' }>
      const { gaps: boxes, words, height } = layoutGaps(place)
      for (const b of boxes) expect(b.x >= 0 && b.x + b.width <= width && b.y + b.height <= height).toBe(true)
      boxes.forEach((a, i) => boxes.slice(i + 1).forEach(b => expect(a.x + a.width <= b.x || a.y + a.height <= b.y).toBe(true)))
      const stop = words.find(w => w.text === '.')!
      expect(Math.abs(stop.y - boxes[2]!.y - boxes[2]!.height / 2)).toBeLessThan(1e-9)
      expect(Math.abs(stop.x - boxes[2]!.x - boxes[2]!.width)).toBeLessThan(1e-9)
    }))
  })

  it('take typed words, each gap for itself', () => {
    const board = boardOf([gaps(true)], [], { kind: 'write', answers: { 'g:0': { accepts: ['limpet'] }, 'g:2': { accepts: ['out'] } } })
    expect(verdicts(mark(board, {}, { texts: { 'g:0': 'Limpet', 'g:1': 'anything' } }))).toEqual({ 'g:0': 'right', 'g:2': 'not-placed' })
  })
})

describe('what is counted and never scored', () => {
  it('votes: how many lie in each place', () => {
    const token = { kind: 'token' as const, id: pieceId('t'), master: masterId('cover'), text: '', bin: true }
    const board = boardOf([zone('yes', 0), zone('no', 320)], [token], { kind: 'vote', places: ['yes', 'no'] })
    expect(mark(board, { 't~aaaa': [50, 50], 't~bbbb': [150, 50], 't~cccc': [400, 50] })).toMatchObject([
      { verdict: 'noted', points: 0, of: 0, reason: { words: { count: 2 } } }, { reason: { words: { count: 1 } } },
    ])
  })

  it('a spectrum: how far along each piece stands, on a scale that has no numbers', () => {
    const scale: Place = { kind: 'scale', id: placeId('s'), heading: '', least: '0', most: '1', step: null, ends: ['calm', 'wild'], shape: box(100, 100, 400, 100) }
    const board = boardOf([scale], [card('me'), card('you')], { kind: 'spectrum', scale: 's', pieces: ['me', 'you'] })
    expect(mark(board, { me: [200, 150] })).toMatchObject([{ verdict: 'noted', of: 0, reason: { code: 'stands', words: { percent: 25, from: 'calm' } } }, { reason: { code: 'no-stand' } }])
  })
})

describe('a flipped counter', () => {
  it('is worth what its other side says', () => {
    const counter = tile('c', '1', { bin: true, other: { text: '−1', value: '-1' } })
    const board = boardOf([zone('mat', 0, 900)], [counter], { kind: 'total', place: 'mat', target: '0' })
    const at = { 'c~aaaa': { x: 50, y: 50 }, 'c~bbbb': { x: 100, y: 50, flipped: true } } as Record<PieceId, object>
    expect(mark(board, {})[0]).toMatchObject({ verdict: 'not-placed' })
    expect(marked(at)).toMatchObject({ verdict: 'right', reason: { words: { made: '0' } } })
    function marked(pieces: object) {
      return markSlate(slateOf(board, { pieces }), makeEdition(board))[0]!.items[0]
    }
  })
})
